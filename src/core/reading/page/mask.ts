import { lineIndexAt, lineSpan, sourceText, type SourceText } from '../../text/source.js';
import type { LineRole } from '../hand.js';

/** Signs of a quoted message, and a time with the name of who wrote. */
const QUOTED = /^(?:[ \t]*>)+ ?/u;
const STAMPED =
  /^\s*[[(]?\d{1,2}[:.]\d{2}(?:[:.]\d{2})?[\])]?[ \t]*(?:[-–—|][ \t]*)?(?:(?:\p{Lu}[\p{L} .]{0,20}?|\p{Ll}{2,14})[ \t]*[:>])?[ \t]*/u;
const NAMED = /^\s*\p{Lu}\p{L}{1,14}(?: \p{Lu}\p{L}{0,14})?[ \t]*(?:[[(]\d{1,2}[:.]\d{2}[\])])?[ \t]*[:>][ \t]/u;
/** A list of things to be done, or a day beside each: "[x] ", "[ ] ", "- [x] ". */
const TICKED = /^\s*(?:[-*][ \t]+)?\[[ xX✓✔]?\][ \t]*/u;
/** So great a share of the lines has to begin so. */
const SHARE = 0.5;
const FIRST_PAGE = 60;
const FEW = 0.2;
/** A line of page furniture comes again, and is no longer than this. */
const LONGEST_FURNITURE = 80;
const SHORTEST_PAGE = 12;

/**
 * The same text with spaces in place of what is not of the pattern: the signs of a quotation, the time and the name before a
 * message, boxes that are ticked, the head and the number of a page. A word that was parted at the end of a line is joined.
 * All else stands where it stood, so that places in it are places in the text.
 * @param roles what is said of lines, by the offset at which each begins.
 */
export function masked(source: SourceText, roles: ReadonlyMap<number, LineRole> = new Map()): SourceText {
  if (roles.size > 0) return masked(withRoles(source, roles));
  const furniture = furnitureIn(source);
  const prefix = [QUOTED, STAMPED, TICKED].find((one) => shareOf(source, one) >= SHARE) ?? namedIn(source);
  const parted = /\p{Ll}-\r?\n/u.test(source.text);
  if (furniture.size === 0 && !prefix && !parted) return source;
  let text = '';
  let at = 0;
  const blank = (from: number, to: number) => {
    text += source.text.slice(at, from) + source.text.slice(from, to).replace(/[^\r\n]/g, ' ');
    at = to;
  };
  source.lineStarts.forEach((_, line) => {
    const span = lineSpan(source, line);
    if (furniture.has(line)) blank(span.from, span.to);
    else if (prefix) {
      const begins = prefix.exec(source.text.slice(span.from, span.to))?.[0].length ?? 0;
      blank(span.from, span.from + begins);
    }
  });
  text += source.text.slice(at);
  const view = sourceText(parted ? wordsJoined(text) : text, source.remember);
  return prefix && prefix !== QUOTED && prefix !== TICKED ? { ...view, messages: true } : view;
}

/** The same text with spaces in place of lines that are no part of the pattern, and before those that go on from the line above. */
function withRoles(source: SourceText, roles: ReadonlyMap<number, LineRole>): SourceText {
  let text = '';
  let at = 0;
  for (const [from, role] of roles) {
    if (role === 'goes-on') {
      const end = source.text.slice(0, from).trimEnd().length;
      if (end < at) continue;
      text += source.text.slice(at, end) + ' '.repeat(from - end);
      at = from;
    } else if (role === 'talk' || role === 'title') {
      const { to } = lineSpan(source, lineIndexAt(source, from));
      text += source.text.slice(at, from) + ' '.repeat(to - from);
      at = to;
    }
  }
  return sourceText(text + source.text.slice(at), source.remember);
}

function shareOf(source: SourceText, prefix: RegExp): number {
  let [lines, found] = [0, 0];
  for (let line = 0; line < source.lineStarts.length; line += 1) {
    const { from, to } = lineSpan(source, line);
    const words = source.text.slice(from, Math.min(to, from + 80));
    if (words.trim() === '') continue;
    lines += 1;
    if (prefix.test(words)) found += 1;
    // A text whose first page has next to none of them has none.
    if (lines === FIRST_PAGE && found < FIRST_PAGE * FEW) return 0;
  }
  return lines < 4 ? 0 : found / lines;
}

/** The names of two or three people who write by turns, where nearly all lines begin with one. */
function namedIn(source: SourceText): RegExp | null {
  if (shareOf(source, NAMED) < 0.8) return null;
  const names = new Set<string>();
  source.lineStarts.forEach((_, line) => {
    const { from, to } = lineSpan(source, line);
    const name = NAMED.exec(source.text.slice(from, Math.min(to, from + 80)))?.[0].trim();
    if (name) names.add(name);
  });
  return names.size <= 3 ? NAMED : null;
}

const PAGE_NUMBER = /^\s*[^\p{L}\d\n]{0,2}\d{1,3}[^\p{L}\d\n]{0,2}\s*$/mu;

/** Lines that come again and again at the head or foot of a page, with the number of the page beside them. */
function furnitureIn(source: SourceText): ReadonlySet<number> {
  const furniture = new Set<number>();
  // A quick look: there is no page without its number.
  if (!PAGE_NUMBER.test(source.text)) return furniture;
  const places = new Map<string, number[]>();
  const words: string[] = source.lineStarts.map((_, line) => {
    const { from, to } = lineSpan(source, line);
    return to - from > LONGEST_FURNITURE ? '' : source.text.slice(from, to).trim();
  });
  words.forEach((text, line) => {
    if (!/\p{L}{3}.*\s\p{L}{3}/u.test(text)) return;
    const key = text.replace(/\s+/g, ' ').replace(/\d+$/, '#');
    // "Magic ring, 6 sc in the ring" above "(6)" is no head of a page.
    if (/\d/.test(key)) return;
    places.set(key, [...(places.get(key) ?? []), line]);
  });
  for (const lines of places.values()) {
    const numbered = lines.filter((line) =>
      [1, 2, 3, -1, -2, -3].some((by) => /^\W{0,2}\d{1,3}\W{0,2}$/.test(words[line + by] ?? '')),
    );
    // The second of two heads has the number of the first page before it.
    const apart = lines.every((line, i) => i === 0 || line - (lines[i - 1] ?? 0) >= SHORTEST_PAGE);
    if (lines.length < 2 || numbered.length === 0 || !apart) continue;
    for (const line of lines) {
      furniture.add(line);
      for (let by = -1; by >= -3 && (words[line + by] ?? '-').length <= 5; by -= 1)
        if (/^\W{0,2}\d{1,3}\W{0,2}$/.test(words[line + by] ?? '')) furniture.add(line + by);
    }
  }
  return furniture;
}

/** "follow-" and "ing" on the next line: the word whole, and as many spaces behind it as were between its parts. */
export function wordsJoined(text: string): string {
  return text.replace(
    /(?<![-\p{L}])(\p{L}*\p{Ll})-(\r?\n[ \t]*)(\p{Ll}+)/gu,
    (_, before: string, gap: string, after: string) => `${before}${after} ${gap.replace(/[^\r\n]/g, ' ')}`,
  );
}
