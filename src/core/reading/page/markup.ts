/** A text as it is shown, from one as it is stored: all that stays stands where it stood. */
export function shown(text: string): string {
  let plain = text;
  for (const { where, made } of WRITINGS) if (where.test(plain)) plain = made(plain);
  return plain;
}

/** "1️⃣1️⃣", "🔟", "5️⃣ – 8️⃣": figures on keys, and from one to another. */
const KEYS = String.raw`(?:(?:\d\uFE0F?\u20E3)+|\u{1F51F})`;
const KEYCAPS = new RegExp(String.raw`${KEYS}(?:[ \t]*[-–—][ \t]*${KEYS})?`, 'gu');
/** "=> 24": an equals sign of it would say what a word means. */
const DOUBLE_ARROW = /={1,2}>(?=[ \t]*\d)/gu;
const TAG =
  /<\/?(?:p|li|[ou]l|h[1-6]|b|i|u|em|strong|span|div|br|hr|t[rdh]|table|tbody|thead|sup|sub|html|body|head|title)(?:\s[^<>\n]{0,200})?\/?>/giu;
/** Signs that are written out; what no pattern needs is a space. */
const ENTITIES: ReadonlyMap<string, string> = new Map([
  ['times', '×'],
  ['amp', '&'],
  ['lt', '<'],
  ['gt', '>'],
  ['quot', '"'],
  ['apos', "'"],
  ['ndash', '–'],
  ['mdash', '—'],
  ['minus', '−'],
  ['hellip', '…'],
  ['rarr', '→'],
  ['bull', '•'],
]);
/** A key with its value, as data are written down. */
const PAIR = /"(\w[\w ]{0,30})"\s*:\s*(?:"((?:[^"\\\n]|\\.)*)"|([\d.]+|null|true|false))?/gu;
/** A key whose value is a name by itself. */
const NAMES = /^(?:name|title|pattern|part|piece|section)$/i;

const WRITINGS: readonly { readonly where: RegExp; readonly made: (text: string) => string }[] = [
  {
    where: /\u20E3/u,
    made: (text) =>
      text.replace(KEYCAPS, (keys) =>
        keys
          .replaceAll('\u{1F51F}', '10')
          .replace(/[\uFE0F\u20E3]/gu, '')
          .padEnd(keys.length),
      ),
  },
  // The space behind the arrow is none between columns.
  { where: /={1,2}>/u, made: (text) => text.replace(DOUBLE_ARROW, (arrow) => '→'.padEnd(arrow.length, '\u00a0')) },
  {
    where: /<(?:p|li|h[1-6]|td|br)\b[^<>]*>/iu,
    made: (text) =>
      text
        // A heading is one in Markdown, too.
        .replace(TAG, (tag) => '#'.repeat(Number(/^<h(\d)/i.exec(tag)?.[1] ?? 0)).padEnd(tag.length))
        .replace(/&(\w{2,6});/gu, (sign, name: string) => (ENTITIES.get(name) ?? ' ').padEnd(sign.length)),
  },
  { where: /^\s*[[{]\s*(?:\{\s*)?"\w+"\s*:/u, made: withoutKeys },
];

/** Records of data: the values of one line side by side, as cells of a table; a key stays where it says what its only value is. */
function withoutKeys(text: string): string {
  return text.replace(/[^\n]+/gu, (line) => {
    const pairs = [...line.matchAll(PAIR)];
    const alone = pairs.length === 1 && !NAMES.test(pairs[0]?.[1] ?? '');
    const values = pairs.map(({ 0: pair, 1: key = '', 2: words, 3: value, index }) => {
      const said = words ?? value ?? '';
      const at = index + (said === '' ? pair.length : pair.lastIndexOf(said));
      return { key, from: index + 1, at, said };
    });
    let plain = '';
    for (const { key, from, at, said } of values) {
      if (alone) plain = `${plain.padEnd(from)}${key}:`;
      plain = plain.padEnd(at) + said;
    }
    return plain.padEnd(line.length);
  });
}
