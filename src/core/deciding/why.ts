import type { Doubt } from '../pattern/pattern.js';
import type { Sense } from '../vocabulary/senses.js';
import type { Reason } from './habits.js';

const SENSE_WORDS: Readonly<Record<Sense, string>> = {
  increase: 'an increase',
  decrease: 'a decrease',
  stitch: 'the stitch of the round',
  times: 'times',
  around: 'all around',
  repeat: 'a repeat to the end',
  more: 'more times',
  'turning-chain': 'a turning chain',
  nothing: 'nothing that is counted',
};
/** What a round was taken to say, where its words leave it open. */
const TAKEN: Readonly<Record<string, string>> = {
  'repeats: all before': 'what is repeated is all that stands before',
  'a figure before a shaping: plain stitches': 'the figure before it counts the plain stitches',
  'double: two in each': '"double" is two in each',
  'no word of how often: to the end': 'it goes on so to the end',
  'repeats: the sentence before': 'what is repeated is the sentence before',
  'repeats: the clause before': 'what is repeated goes back to the comma',
  'repeats: the step before': 'what is repeated is the last step alone',
  'all round: all steps': 'all steps are repeated to the end',
  'a figure between: of what is before': 'a figure between two stitches is of the first',
  'a figure behind: times': 'the figure behind says how often',
  'words without a figure: repeat': 'words without a figure say to go on so to the end',
  'a figure written to its stitch: so many in one': 'a figure written to its stitch, as "2sc", is so many in one',
  'in each: all that follow': 'all that is listed goes into each stitch',
};

/** What a word is taken to mean, in words. */
export function senseInWords(sense: Sense): string {
  return SENSE_WORDS[sense];
}

/** Why a round is taken as it is, for the people who read the report; null where nothing of it is open. */
export function doubtOf(
  senses: ReadonlyMap<string, Sense>,
  reasons: readonly Reason[],
  passed: readonly string[],
  repaired: boolean,
): Doubt | undefined {
  const why = [...senses].map(([word, sense]) => `"${word}" is taken for ${SENSE_WORDS[sense]}`);
  for (const { what, ways } of reasons) {
    const [way = ''] = ways;
    const said = TAKEN[`${what}: ${way}`];
    if (said && !why.includes(said)) why.push(said);
  }
  const worked = why.length > 0;
  const words = [...new Set(passed)];
  if (words.length > 0) why.push(`passed over: ${words.map((word) => `"${word}"`).join(', ')}`);
  if (repaired) why.push('its brackets are in disorder, and it is read as it comes out');
  if (why.length === 0) return undefined;
  return { kind: repaired ? 'repaired' : worked ? 'worked-out' : 'passed-over', why };
}
