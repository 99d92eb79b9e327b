/** "1️⃣1️⃣", "🔟", "5️⃣ – 8️⃣": figures on keys, and from one to another. */
const KEYS = String.raw`(?:(?:\d\uFE0F?\u20E3)+|\u{1F51F})`;
const KEYCAPS = new RegExp(String.raw`${KEYS}(?:[ \t]*[-–—][ \t]*${KEYS})?`, 'gu');
/** "=> 24": an equals sign of it would say what a word means. */
const DOUBLE_ARROW = /={1,2}>(?=[ \t]*\d)/gu;
/** "**R1** to **R5**": one range. */
const BOLD_ENDS = /\*\*([ \t]*(?:to|and|&|-|–)[ \t]*)\*\*/gu;
/** "→ *30*": a count that is stressed. */
const STRESSED = /(?<=[ \t])\*(\d{1,4})\*(?=[ \t]*$)/gmu;
/** The corners and lines of drawn boxes; a line along is a dash. */
const BOXES = /[\u2500-\u257F]/gu;
const MARKUP = /<(?:p|li|h[1-6]|td|br)\b[^<>]*>/iu;
const TAG = /<\/?[a-z][a-z\d]{0,9}(?:\s[^<>\n]{0,200})?\/?>/giu;

/** A text as it is shown, from one as it is stored: all that stays stands where it stood. */
export function shown(text: string): string {
  // The space behind an arrow is none between columns.
  const plain = text
    .replace(KEYCAPS, withoutKeys)
    .replace(DOUBLE_ARROW, (arrow) => '→'.padEnd(arrow.length, '\u00a0'))
    .replace(BOLD_ENDS, '  $1  ')
    .replace(STRESSED, ' $1 ')
    .replace(BOXES, (line) => (line === '─' || line === '━' ? '–' : ' '));
  if (!MARKUP.test(plain)) return plain;
  // A heading is one in Markdown, too.
  return plain
    .replace(TAG, (tag) => '#'.repeat(Number(/^<h(\d)/i.exec(tag)?.[1] ?? 0)).padEnd(tag.length))
    .replace(/&(\w{2,6});/gu, (sign, name: string) => signNamed(name).padEnd(sign.length));
}

function withoutKeys(keys: string): string {
  return keys
    .replaceAll('\u{1F51F}', '10')
    .replace(/[\uFE0F\u20E3]/gu, '')
    .padEnd(keys.length);
}

/** What is written "&times;", "&amp;", "&ndash;"; of all others nothing is needed. */
function signNamed(name: string): string {
  if (name === 'times') return '×';
  if (name === 'amp') return '&';
  return name.endsWith('dash') ? '–' : ' ';
}
