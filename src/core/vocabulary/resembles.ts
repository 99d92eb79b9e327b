/** Words on which the count of a round depends; names that are near to common words ("chain", "loop") are left out. */
const TERMS: readonly string[] =
  'sc dc hdc htr dtr tr inc dec increase decrease increases decreases crochet treble around together repeat stitches'.split(
    ' ',
  );
/** Short words are near to many others; of two letters each misspelling without a vowel is told. */
const SHORTEST = 3;

const known = new Map<string, boolean>();
const MOST_KNOWN = 4000;

/**
 * Whether a word, in small letters, is a term of crochet but for one letter that is lost, doubled, changed or moved: "icn",
 * "decc", "crohcet". Such a word is likelier misspelt than talk.
 */
export function resemblesTerm(word: string): boolean {
  const before = known.get(word);
  if (before !== undefined) return before;
  const resembles = termsNear(word).length > 0;
  if (known.size >= MOST_KNOWN) known.clear();
  known.set(word, resembles);
  return resembles;
}

/** The terms that a word, in small letters, may have been meant to be. */
export function termsNear(word: string): readonly string[] {
  return TERMS.includes(word) ? [] : TERMS.filter((term) => isNear(word, term));
}

/** Whether a word, in small letters, is a term but for one letter. */
export function isNear(word: string, term: string): boolean {
  if (Math.abs(word.length - term.length) > 1) return false;
  if (term.length < SHORTEST) return !/[aeiou]/.test(word) && word.length === SHORTEST && differsByOne(word, term);
  // "ground" is no misspelt "around"; short terms are misspelt in their first letter as well.
  if (term.length > SHORTEST && word.charAt(0) !== term.charAt(0)) return false;
  return differsByOne(word, term);
}

function differsByOne(word: string, term: string): boolean {
  let from = 0;
  while (from < word.length && word.charAt(from) === term.charAt(from)) from += 1;
  const [rest, wanted] = [word.slice(from), term.slice(from)];
  const moved =
    rest.charAt(0) === wanted.charAt(1) && rest.charAt(1) === wanted.charAt(0) && rest.slice(2) === wanted.slice(2);
  return (
    rest.slice(1) === wanted ||
    rest === wanted.slice(1) ||
    rest.slice(1) === wanted.slice(1) ||
    (rest.length > 1 && moved)
  );
}
