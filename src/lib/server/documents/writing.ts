import type { Block, LineNote, Remark } from './document.js';

/** Cells of a row stand apart so that a person and the reader can tell them. */
const BETWEEN_CELLS = ' | ';

/**
 * The parts of a document as lines of text. A row of a table is one line; nothing is added but what parts the cells. Blank
 * lines stand where the document has them, and around tables; never more than two in a row.
 */
export function written(blocks: readonly Block[] | string): {
  readonly text: string;
  readonly notes: readonly LineNote[];
} {
  if (typeof blocks === 'string') return { text: blocks.replace(/\r\n?/g, '\n'), notes: [] };
  const lines: string[] = [];
  const notes: LineNote[] = [];
  const note = (remarks: readonly Remark[] | undefined) => {
    for (const remark of remarks ?? [])
      notes.push({ line: Math.max(1, lines.length), about: lines.at(-1) ?? '', ...remark });
  };
  const blank = () => {
    if (lines.length > 0 && lines.at(-1) !== '') lines.push('');
  };
  for (const block of blocks) {
    if (block.kind === 'paragraph') {
      for (const line of block.text.split(/\r\n?|\n/)) {
        const empty = line.trim() === '';
        if (empty && (lines.length === 0 || (lines.at(-1) === '' && lines.at(-2) === ''))) continue;
        lines.push(empty ? '' : line.replace(/\s+$/u, ''));
      }
    } else {
      blank();
      for (const row of block.rows) {
        const line = rowLine(row);
        if (line !== '') lines.push(line);
      }
    }
    note(block.notes);
    if (block.kind === 'table') blank();
  }
  while (lines.at(-1) === '') lines.pop();
  return { text: lines.length === 0 ? '' : `${lines.join('\n')}\n`, notes };
}

/** A row as a line. A cell of several lines is one stretch of words; one cell alone is a line like any other. */
function rowLine(row: readonly string[]): string {
  const cells = row.map((cell) => cell.replace(/\s+/gu, ' ').trim());
  const filled = cells.filter((cell) => cell !== '');
  if (filled.length <= 1) return filled[0] ?? '';
  return cells.slice(0, cells.findLastIndex((cell) => cell !== '') + 1).join(BETWEEN_CELLS);
}
