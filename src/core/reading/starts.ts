import { cardinal } from '../vocabulary/numbers.js';
import type { PieceStart, Stretch } from '../pattern/pattern.js';

const CHAINS =
  /(?<![\p{L}\d-])(?:(?:ch|chain|chains)\s{0,2}(\d{1,4})|(\d{1,4})\s{0,2}(?:ch|chains?)(?![\p{L}])|(?:make|with|of) a chain of (\d{1,4}))/iu;
const LETTER_CHAINS = /(?<![\p{L}\d])(?:K\s?(\d{1,4})|(\d{1,4})\s?K)(?![\p{L}\d])/u;
const FIRST_CHAIN = /(?:start|begin|work)\p{L}*\s+(?:from|in|into|at)\s+(?:the\s+)?(\d)(?:st|nd|rd|th)\s/iu;
/** "Join Mustard in any st of round 14." */
const STITCHES_OF =
  /(?:join|attach)[^.!?\n]{0,40}?(?<!\p{L})(?:in|into|to)\s+(?:(?:any|a|the|first|each)\s+){0,2}(?:st|stitch|sc|dc)(?!\p{L})\s+(?:of|on|in)\s+(?:the\s+)?(?:rounds?|rnds?|rds?|rows?|r)\.?\s{0,2}(\d{1,3})(?!\d)/iu;
const LOOPS =
  /(?:(front|back)\s+)?(?:loops?|lps?)(?![\p{L}])[^.!?]{0,60}?(?<![\p{L}\d])(?:(?:rounds?|rnds?|rds?|rows?|r)\.?\s{0,2}(\d{1,3}(?!\d)|\p{L}{3,6})|(\d{1,3})(?:st|nd|rd|th)\s(?:rounds?|rnds?|rds?|rows?))/iu;

/**
 * The chain that a part begins with, where the words before its first round say so: "With Ginger,
 * ch 17.", "12K, start from 2nd K", "ch 12 and join … to form a ring". Null where none is named.
 */
export function chainStartIn(prose: string, compact: boolean, offset = 0): PieceStart | null {
  // A quick look, since most words before a round speak of no chain.
  if (!/ch/i.test(prose) && !compact) return null;
  const match = CHAINS.exec(prose) ?? (compact ? LETTER_CHAINS.exec(prose) : null);
  const chains = Number(match?.[1] ?? match?.[2] ?? match?.[3] ?? 0);
  if (!match || chains < 2) return null;
  const first = FIRST_CHAIN.exec(prose);
  const ring = /(?:form|into|make|makes|forming)\s+(?:a\s+|the\s+)?(?:ring|circle|loop)/iu.test(prose);
  const at = offset + match.index + match[0].search(/\d/);
  const figure = { from: at, to: at + String(chains).length };
  return { kind: 'chains', chains, ring, firstFromHook: first ? Number(first[1]) : null, figure };
}

/** Loops left free that the rounds to come are worked into: "in the front loops of Round 16, which …". */
export function freeLoopsIn(prose: string, offset: number): Stretch['into'] {
  const stitches = STITCHES_OF.exec(prose);
  if (stitches) {
    const from = offset + stitches.index;
    return { loops: null, round: Number(stitches[1]), span: { from, to: from + stitches[0].length } };
  }
  const match = LOOPS.exec(prose);
  const round = Number(match?.[2] ?? match?.[3]) || cardinal(match?.[2]?.toLowerCase() ?? '');
  if (!match || round === null) return null;
  const side = match[1]?.toLowerCase();
  return {
    loops: side === 'front' || side === 'back' ? side : null,
    round,
    span: { from: offset + match.index, to: offset + match.index + match[0].length },
  };
}
