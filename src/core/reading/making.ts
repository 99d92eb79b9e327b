import { cardinal } from '../vocabulary/numbers.js';
import { namesPart } from './headings.js';
import { quantityIn } from './quantity.js';

/** "Make three more.", "then two more of the same", "one more the same" */
const SO_MANY_MORE =
  /(?<!\p{L})(?:(?:make|crochet|do|work)\s+(?:another\s+)?(\p{L}{3,5}|\d{1,2})\s+more|(?:then|and)\s+(\p{L}{3,5}|\d{1,2})\s+more(?=\s+(?:of (?:them|these|the same)|the same|like it)))(?:\s+(?:of (?:them|these|the same)|the same|like (?:it|this)))?\s*(?:[.!);,]|$)/imu;
/** "Make a second one but do not fasten off", "work another arm", "do the other leg the same" */
const ONE_MORE =
  /(?<!\p{L})(?:make|crochet|do|work)\s+(?:a second|another|the (?:second|other))(?:\s+(?!(?:but|and|the|in|like|as|exactly)(?!\p{L}))(\p{L}+))?\s*(?:[.!);,]|$|\s(?:but|and|the same|in|like|as|exactly)(?!\p{L}))/imu;
/** "Repeat for the second arm.", "Do the same for the other leg" */
const AGAIN =
  /(?<!\p{L})(?:repeat|(?:do|work|crochet) the same)\s+for\s+(?:the\s+)?(?:second|other)(?:\s+(\p{L}+))?(?!\p{L})/iu;
/** "Make 2." in a line of its own: of all that has been told. */
const IN_ALL =
  /^\W*make\s+(\p{L}{3,5}|\d{1,2})(?:\s+(?:of (?:them|these|those)|in all|altogether))?(?:,\s\p{L}+)?\s*[.!]?\s*$/imu;
const MOST = 12;
const LONGEST_LINE = 60;
/** "With red, make 4 ch.", "work 2 rounds" */
const OF_STITCHES =
  /(?<!\p{L})(?:\d{1,3}|\p{L}+)\s?(?:ch|chains?|sts?|stitch(?:es)?|sc|dc|rounds?|rows?|rnds?)(?!\p{L})/iu;

/** How many more of a piece are made, by what stands behind its rounds; 0 where nothing is said of it. */
export function moreIn(text: string): number {
  const many = SO_MANY_MORE.exec(text);
  if (many) return valueOf(many[1] ?? many[2]);
  const one = ONE_MORE.exec(text) ?? AGAIN.exec(text);
  // "work another round" is none.
  if (one && (one[1] === undefined || isPiece(one[1]))) return 1;
  const all = IN_ALL.exec(text);
  return all ? Math.max(0, valueOf(all[1]) - 1) : 0;
}

/** "Make 2.", "four of these", "In brown, make two": how many are made by the short lines below a name; null where none says so. */
export function makeIn(text: string): number | null {
  for (const line of text.split('\n')) {
    const quantity = line.length <= LONGEST_LINE && !OF_STITCHES.test(line) ? quantityIn(line) : null;
    if (quantity) return quantity.make <= MOST ? quantity.make : null;
  }
  return null;
}

function isPiece(word: string): boolean {
  return /^(?:one|piece)$/i.test(word) || namesPart(word);
}

function valueOf(said = ''): number {
  const value = /^\d/.test(said) ? Number(said) : cardinal(said.toLowerCase());
  return value !== null && value <= MOST ? value : 0;
}
