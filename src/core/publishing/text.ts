import type { Block, Paper } from './paper.js';

/** Where the counts end, as long as the words leave room; letters. Lines are not broken: what shows them does that. */
const WIDTH = 78;
const BOX = '☐ ';

/** A paper as plain text: rounds with a box, the count at the end of the line where the eye finds it. */
export function asText({ blocks, foot }: Paper): string {
  const lines: string[] = [];
  let before: Block['kind'] | null = null;
  for (const block of blocks) {
    if (lines.length > 0 && isApart(before, block.kind)) lines.push('');
    lines.push(...linesOf(block));
    before = block.kind;
  }
  if (foot !== '') lines.push('', foot);
  return `${lines.join('\n')}\n`;
}

function linesOf(block: Block): string[] {
  switch (block.kind) {
    case 'heading':
      return block.level === 1 ? [block.text, '='.repeat(Math.min(WIDTH, block.text.length))] : [block.text];
    case 'item':
      return [`- ${block.text}`];
    case 'paragraph':
    case 'caution':
      return [block.text];
    case 'round':
      return [roundLine(block)];
    case 'table':
      return block.rows.map((row) => row.filter((cell) => cell !== '').join('  '));
    case 'picture':
      return [];
  }
}

/** Rounds and the things of a list stand close; everything else has air around it. */
function isApart(before: Block['kind'] | null, now: Block['kind']): boolean {
  return before !== now || (now !== 'round' && now !== 'item' && now !== 'table');
}

/** Label and words of a round in one: "Rnd 3: (sc, inc) x 6". */
export function roundWords({ label, words }: { readonly label: string; readonly words: string }): string {
  if (label === '') return words;
  return `${label}${/[:.)]$/.test(label) ? '' : ':'} ${words}`.trimEnd();
}

function roundLine(block: Extract<Block, { kind: 'round' }>): string {
  const line = BOX + roundWords(block);
  return block.count === '' ? line : `${line.padEnd(WIDTH - block.count.length - 1)} ${block.count}`;
}
