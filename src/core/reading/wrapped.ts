import { beginsInstruction } from './labels.js';
import { tokenize } from './lexer.js';
import type { Lexicon } from './lexicon.js';
import { COUNT_AT_END } from './traits.js';

/** What the second line of an instruction can begin with: "in each st", "around", "times". */
const CONNECTING: ReadonlySet<string> = new Set([
  'in',
  'each',
  'around',
  'next',
  'last',
  'same',
  'times',
  'repeat',
  'and',
  'together',
  'stitch-word',
  'loops',
  'until',
  'total',
  'other-side',
  'both-layers',
]);
const LEFT_OPEN = /(?:[,;:(\[{*+&–—-]|(?<![\p{L}\d])(?:and|in|into|the|next|each|of|to|from|then|with|a|over))\s*$/iu;
const ONLY_COUNT = /^\s*[([{<]\s*\d{1,4}\s*(?:sts?|stitches|sc|dc)?\s*[)\]}>]\.?\s*$/iu;
const ENDS_ON_COUNT = /[([{<]\s*\d{1,4}\s*(?:sts?|stitches|sc|dc)?\s*[)\]}>]\.?\s*$/iu;
const LEAVES_REST =
  /^\s*leav(?:e|ing) (?:the )?(?:rest|remainder|remaining (?:\d{1,3} )?(?:sts?|stitches))(?: (?:of the (?:sts|stitches|round|row) )?(?:unworked|free|empty))?\s*(?:[.,;]|$)/iu;
/** A line that is shorter was ended by its writer, not by the width of the page; characters. */
const PAGE = 50;

/** A round whose words may go on in the next line. */
interface Above {
  /** The last of its words. */
  readonly words: string;
  readonly length: number;
  /** In messages each line is one; it goes on only where the words are left open. */
  readonly isMessage: boolean;
}

/** Whether a line goes on with the words of the round above it. */
export function goesOnFrom({ words, length, isMessage }: Above, line: string, lexicon: Lexicon): boolean {
  if (isMessage && !ONLY_COUNT.test(line)) return LEFT_OPEN.test(words);
  // "(sc 1, inc)", and below it "(18)".
  if (ONLY_COUNT.test(line) && !ENDS_ON_COUNT.test(words)) return true;
  // "Leave the rest unworked." below a round is a part of it.
  if (LEAVES_REST.test(line)) return true;
  if (COUNT_AT_END.test(words)) return false;
  if (LEFT_OPEN.test(words)) return true;
  const start = line.trimStart();
  if (!/^[\p{Ll}\d(\[{<=–—*]/u.test(start)) return false;
  // A line in small letters after a finished sentence, or after a short line, may be talk of its own.
  const wrapped = !/[.!?]\s*$/u.test(words) && length > PAGE;
  return wrapped || /^[(\[{<=–—*\d]/u.test(start) || connects(line, lexicon);
}

/** Whether a line begins with words that an instruction can begin or go on with. */
function connects(line: string, lexicon: Lexicon): boolean {
  const tokens = tokenize(line, { from: 0, to: Math.min(line.length, 40) });
  const first = lexicon.at(tokens, 0)?.meaning.is;
  return (first !== undefined && CONNECTING.has(first)) || beginsInstruction(line, 0, line.length, lexicon);
}
