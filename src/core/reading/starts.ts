import { cardinal } from '../vocabulary/numbers.js';
import { numeralsIn } from './page/numerals.js';
import type { PieceStart, Stretch } from '../pattern/pattern.js';

const CHAINS =
  /(?<![\p{L}\d-])(?:(?:ch|chain|chains)\s{0,2}(\d{1,4})|(\d{1,4})\s{0,2}(?:ch|chains?)(?![\p{L}])|(?:make|with|of) a chain of (\d{1,4}))/iu;
const RING = /(?:form|into|make|makes|forming)\s+(?:a\s+|the\s+)?(?:ring|circle|loop)/iu;
/** "ch 20, join with a sl st", "12 ch, ss into the first" */
const JOINED =
  /(?<!\p{L})(?:join\p{L}*(?:\s+(?:it|the\s+ends?))?\s+(?:with|by)\s+(?:an?\s+)?(?:sl|slip|ss)(?!\p{L})|(?:sl(?:ip)?\.?\s?st\p{L}*|ss)\s+(?:in|into|to)\s+(?:the\s+)?(?:first|1st)(?!\p{L}))/iu;
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
  const ring = RING.test(prose) || JOINED.test(prose.slice(match.index + match[0].length));
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
  if (!match) return loopsLeft(prose, offset);
  const round = Number(match[2] ?? match[3]) || cardinal(match[2]?.toLowerCase() ?? '');
  if (round === null) return loopsLeft(prose, offset);
  const side = match[1]?.toLowerCase();
  return {
    loops: side === 'front' || side === 'back' ? side : null,
    round,
    span: { from: offset + match.index, to: offset + match.index + match[0].length },
  };
}

/** "in the 24 front loops that t) has left", "in the front loops that 25 left, there are 24" */
const LEFT =
  /(?:(\d{1,3})\s+)?(?<!\p{L})(front|back|free)\s+(?:loops?|lps?|links?|threads?)(?!\p{L})([^.!?\n]{0,90})/iu;
const SO_MANY = /(?:there|these|they) are\s+(\d{1,3})|(\d{1,3})\s+(?:of them|in all|loops)/iu;

/** Loops that a round has left free, which is named in a way of its own, or that are only counted. */
function loopsLeft(prose: string, offset: number): Stretch['into'] {
  const match = LEFT.exec(prose);
  if (!match) return null;
  const [all, before, side = '', behind = ''] = match;
  const told = SO_MANY.exec(behind);
  const count = Number(before ?? told?.[1] ?? told?.[2] ?? 0);
  const words = told ? behind.slice(0, told.index) : behind;
  const by = /(?<!\p{L})(?:that|which|of|by|from|left)(?!\p{L})/iu.exec(words);
  const named = by
    ? numeralsIn(words, { from: by.index, to: words.length }).find(
        ({ kind, to }) => kind !== 'letter' || /^[).:]/.test(words.slice(to)),
      )
    : undefined;
  if (!named && count === 0) return null;
  const loops = side.toLowerCase();
  return {
    loops: loops === 'front' || loops === 'back' ? loops : null,
    round: named?.first ?? null,
    ...(count > 0 ? { count } : {}),
    span: { from: offset + match.index, to: offset + match.index + all.length },
  };
}

/** "Fold in half and work through both layers:" */
const THROUGH_BOTH =
  /(?:fold|flatten|press|pinch)[^]{0,80}(?:through|both|two)\s+(?:both\s+|the\s+)?(?:layers|sides|thicknesses|edges)/iu;
/** "Skip the first 15 st and join in st 16", "Divide for the legs". */
const TAKES_SHARE =
  /(?<!\p{L})(?:skip|miss)\s(?:\p{L}+\s){0,2}\d|(?<!\p{L})(?:divide|split|shape (?:the )?(?:neck|armholes?|shoulders?))(?!\p{L})/iu;
/** Yarn is joined anew: what follows is worked where it says, though its numbers go on. */
const JOINS = /(?<!\p{L})(?:re)?(?:join|attach)(?!\p{L})/iu;
const DIVIDES = /(?<!\p{L})(?:shape (?:the )?(?:neck|armhole|shoulder)|skip|miss|divid|split|separat|unworked)/iu;
/** "*lip of the hull:* join …", "Rim: …" */
const LEAD = /^[^\p{L}\d]{0,4}(\p{L}[\p{L} '’-]{1,28}?)\s*(?:[:.]\s*[*_]{1,2}|[*_]{1,2}\s*[:.–—-]|:)(?=\s)/u;

/** What the words between two rounds say of the one to come. */
export interface SaidBefore {
  readonly start: PieceStart | null;
  readonly into: Stretch['into'];
  /** A part of the stitches is left, or goes to something else. */
  readonly divided: boolean;
  readonly takesShare: boolean;
  readonly joins: boolean;
  /** It goes through both layers. */
  readonly flat: boolean;
  /** The name that the words begin with, and that they or their last line begin with. */
  readonly lead: string | null;
  readonly name: string | null;
}

/** Reads what stands between two rounds. @param offset where the words begin. */
export function saidBefore(words: string, offset: number, compact: boolean): SaidBefore {
  const lead = leadOf(words);
  return {
    start: chainStartIn(words, compact, offset),
    into: freeLoopsIn(words, offset),
    divided: DIVIDES.test(words),
    takesShare: TAKES_SHARE.test(words),
    joins: JOINS.test(words),
    flat: THROUGH_BOTH.test(words),
    lead,
    name:
      lead ??
      leadOf(
        words
          .trimEnd()
          .split(/[\r\n]+/)
          .at(-1) ?? '',
      ),
  };
}

function leadOf(words: string): string | null {
  return LEAD.exec(`${words} `)?.[1]?.trim() ?? null;
}
