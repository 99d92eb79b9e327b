import { expect, it } from 'vitest';
import { namedPiece, ownNumbers } from './ownNumbers.js';

/** The numbers that a sentence behind a round names, and the words that are left. */
function told(sentence: string, before: number): string {
  const { numbers, end } = ownNumbers(sentence, before);
  const [first, last] = [numbers?.[0], numbers?.at(-1)];
  return `${first === undefined ? '–' : first === last ? String(first) : `${first}-${last}`} ${sentence.slice(end)}`;
}

it.each([
  ['Round 5: 2 and an increase.', 4, '5 2 and an increase.'],
  ['Round 5 is 2 and an increase.', 4, '5 2 and an increase.'],
  ['In round 12 I work 3 and a decrease.', 5, '12 work 3 and a decrease.'],
  ['Rounds 4 and 5 are plain.', 3, '4-5 plain.'],
  ['Rounds four to nine are plain.', 3, '4-9 plain.'],
  ['On the second round we increase in all.', 1, '2 increase in all.'],
  ['The 4th round has 2 and an increase.', 3, '4 2 and an increase.'],
  ['Fifth: 3 and an increase.', 4, '5 3 and an increase.'],
  ['On the third I do 1 sc and then an increase.', 2, '3 do 1 sc and then an increase.'],
  ['The last round is decreases only.', 14, '15 decreases only.'],
  ['For the head I begin with a ring of 6.', 0, '1 a ring of 6.'],
  ['Each back leg starts from a ring of 6.', 9, '1 a ring of 6.'],
  // what goes on from nothing, names a stitch, or says how often
  ['Round 5: 2 and an increase.', 5, '– Round 5: 2 and an increase.'],
  ['Round 50 is plain.', 4, '– Round 50 is plain.'],
  ['Rounds 9 to 4 are plain.', 3, '– Rounds 9 to 4 are plain.'],
  ['In the third stitch 2 sc.', 2, '– In the third stitch 2 sc.'],
  ['Round three times on ten.', 2, '– Round three times on ten.'],
  ['Then six rounds without any shaping.', 5, '– Then six rounds without any shaping.'],
  ['The last round is decreases only.', 0, '– The last round is decreases only.'],
])('%s behind round %i', (sentence, before, expected) => {
  expect(told(sentence, before)).toBe(expected);
});

it.each([
  ['face: 6 sc in ring', 'face'],
  ['[roof] 6 in a ring', 'roof'],
  ['Wings, two of: 6 in a ring', 'Wings, two of'],
  ['ear x2: mr 5', 'ear x2'],
  ['near ear (make 2) – mr 5', 'near ear (make 2)'],
  ['To make the ears (2): place 5 sc in a ring', 'ears (2)'],
  ['To make the body, place 6 sc in a ring', 'body'],
  ['For the cap, in dark brown, work 6 sc in a ring', 'cap'],
  ['The wings are small: a ring of 5', 'wings are small'],
  // what begins, is worked with, or numbers a round
  ['Begin: 6 sc in a ring', null],
  ['ring: 6 sc', null],
  ['Round one: 6 sc in a ring', null],
  ['With red, 6 sc in a ring', null],
  ['6 sc in a ring', null],
])('%s names %s', (words, part) => {
  expect(namedPiece(words)?.part ?? null).toBe(part);
  if (part !== null) expect(words.slice(namedPiece(words)?.end)).toMatch(/^(?:6 |mr|place|work|a ring)/);
});
