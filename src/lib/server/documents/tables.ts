import type { Block } from './document.js';

/** So many paragraphs in a cell are a column of a page, and no figure or instruction. */
const COLUMN = 4;

/**
 * A table as it is meant: rows of cells, or, where it only puts texts beside each other, those texts one after the other.
 * @param rows the parts of the document in each cell of each row.
 */
export function tableOf(rows: readonly (readonly (readonly Block[])[])[]): Block[] {
  const cells = rows.flat();
  const wide = Math.max(0, ...rows.map((row) => row.length));
  const holdsTable = cells.some((cell) => cell.some(({ kind }) => kind === 'table'));
  const lies = cells.some((cell) => cell.filter((block) => wordsOf(block) !== '').length >= COLUMN);
  if (wide <= 1 || holdsTable || lies) return cells.flat();
  const notes = cells.flat().flatMap((block) => block.notes ?? []);
  return [{ kind: 'table', rows: rows.map((row) => row.map((cell) => cell.map(wordsOf).join('\n'))), notes }];
}

function wordsOf(block: Block): string {
  return block.kind === 'paragraph' ? block.text.trim() : block.rows.flat().join(' ').trim();
}
