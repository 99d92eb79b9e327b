import { roundWords, type Block, type Paper } from '../../../core/index.js';

/** A paper in Markdown: rounds as a list of tasks, the count at the end of each in bold. */
export function asMarkdown({ blocks, foot }: Paper): string {
  const lines: string[] = [];
  let before: Block['kind'] | null = null;
  for (const block of blocks) {
    const close = before === block.kind && (block.kind === 'round' || block.kind === 'item');
    if (lines.length > 0 && !close) lines.push('');
    lines.push(...linesOf(block));
    before = block.kind;
  }
  if (foot !== '') lines.push('', '---', '', literal(foot));
  return `${lines.join('\n')}\n`;
}

function linesOf(block: Block): string[] {
  switch (block.kind) {
    case 'heading':
      return [`${'#'.repeat(block.level)} ${literal(block.text)}`];
    case 'paragraph':
      return literal(block.text)
        .split('\n')
        .map((line, i, all) => (i < all.length - 1 ? `${line}  ` : line));
    case 'caution':
      return [`> ${literal(block.text)}`];
    case 'item':
      return [`- ${literal(block.text)}`];
    case 'round': {
      const label = block.label === '' ? '' : roundWords({ label: block.label, words: '' });
      const parts = [label && `**${literal(label)}**`, literal(block.words), block.count && `**${block.count}**`];
      return [`- [ ] ${parts.filter(Boolean).join(' ')}`];
    }
    case 'table':
      return [block.head, block.head.map(() => '---'), ...block.rows].map(
        (row) => `| ${row.map((cell) => literal(cell).replaceAll('|', '\\|')).join(' | ')} |`,
      );
    case 'picture':
      return [];
  }
}

/** Words whose signs are to be seen as they are: a star is a repeat and no emphasis. */
function literal(words: string): string {
  return words.replace(/[\\`*_<>]|^#|^(?=[-+] )|\[(?=[^\]]*\]\()/g, '\\$&').replace(/^(\d+)\./, '$1\\.');
}
