import type { Loops } from './stitches.js';

/**
 * The words of an instruction that are not stitches, with what they mean. To teach the reader a new
 * way of saying one of these things, add it here.
 */
export type PlainMeaning =
  | { readonly is: 'increase'; readonly per: number }
  | { readonly is: 'decrease'; readonly over: number }
  | { readonly is: 'together' }
  | { readonly is: 'magic-ring' }
  | { readonly is: 'skip' }
  | { readonly is: 'turn' }
  | { readonly is: 'join' }
  | { readonly is: 'loops'; readonly loops: Loops }
  | { readonly is: 'times'; readonly times: number | null }
  | { readonly is: 'repeat' }
  | { readonly is: 'around' }
  | { readonly is: 'stitch-word' }
  | { readonly is: 'chain-word' }
  | { readonly is: 'loop-word' }
  | { readonly is: 'each' }
  | { readonly is: 'same' }
  | { readonly is: 'last' }
  | { readonly is: 'next' }
  | { readonly is: 'in' }
  | { readonly is: 'from-hook' }
  | { readonly is: 'other-side' }
  | { readonly is: 'both-layers' }
  | { readonly is: 'until' }
  | { readonly is: 'remain' }
  | { readonly is: 'total' }
  | { readonly is: 'counts' }
  | { readonly is: 'counts-not' }
  | { readonly is: 'round-word' }
  | { readonly is: 'row-word' }
  | { readonly is: 'and' }
  | { readonly is: 'more' }
  | { readonly is: 'work' }
  | { readonly is: 'invisible' }
  | { readonly is: 'post'; readonly side: 'front' | 'back' }
  | { readonly is: 'evenly' }
  | { readonly is: 'leave' }
  | { readonly is: 'with' }
  | { readonly is: 'change' }
  | { readonly is: 'aside' };

/** "you've got 18", "so we have 18", "you're down to 6" */
function haveNow(person: string): string[] {
  const said = ["'ve", "'ve got", ' have', ' have got', "'ll have", "'re down to", "'re back to", "'re up to"];
  return said.flatMap((verb) => [`${person}${verb}`, `so ${person}${verb}`]);
}

/** Phrases in lower case, without articles and "of"; the longest that fits is taken. */
export const WORDS: readonly (readonly [PlainMeaning, readonly string[]])[] = [
  [{ is: 'increase', per: 2 }, ['increase', 'increases', 'inc', 'incs', 'increasing', 'incr']],
  [
    { is: 'decrease', over: 2 },
    ['decrease', 'decreases', 'dec', 'decs', 'decr', 'invdec', 'idec', 'decreasing', 'invisible decrease', 'inv dec'],
  ],
  [{ is: 'decrease', over: 3 }, ['double decrease', 'double dec']],
  [{ is: 'increase', per: 3 }, ['double increase', 'double inc']],
  [{ is: 'together' }, ['together', 'tog', 'as one', 'made into one', 'turned into one', 'made one', 'in one go']],
  [
    { is: 'magic-ring' },
    [
      'magic ring',
      'magic circle',
      'magic round',
      'magic loop',
      'mr',
      'adjustable ring',
      'adjustable loop',
      'sliding loop',
      'slip ring',
      'thread ring',
      'yarn ring',
      'ring',
      'circle',
      'mag ring',
      'amigurumi ring',
      'amigurumi circle',
      'amigurumi loop',
      'magicring',
    ],
  ],
  [{ is: 'skip' }, ['skip', 'sk', 'miss', 'skipping', 'missing', 'pass over']],
  [{ is: 'turn' }, ['turn', 'turn work', 'turn your work', 'and turn', 'turning', 'turn piece']],
  [
    { is: 'join' },
    [
      'join',
      'rejoin',
      'rejoin yarn',
      'join round',
      'close round',
      'close ring',
      'close circle',
      'join ring',
      'join rnd',
      'close rnd',
      'joining',
      'do not join',
      "don't join",
    ],
  ],
  [
    { is: 'loops', loops: 'front' },
    [
      'flo',
      'front loop',
      'front loops',
      'fl',
      'front lp',
      'front lps',
      'front wall',
      'front walls',
      'behind front wall',
      'for front wall',
      'front half loop',
      'front half loops',
      'f l o',
      'tfl',
      'through front loop',
      'through front loops',
    ],
  ],
  [
    { is: 'loops', loops: 'back' },
    [
      'blo',
      'back loop',
      'back loops',
      'bl',
      'back lp',
      'back lps',
      'back bump',
      'back bumps',
      'rear loop',
      'rear loops',
      'back wall',
      'back walls',
      'rear wall',
      'rear walls',
      'behind back wall',
      'behind back walls',
      'for back wall',
      'for back walls',
      'back half loop',
      'back half loops',
      'rear half loop',
      'rear half loops',
      'tbl',
      'through back loop',
      'through back loops',
    ],
  ],
  [{ is: 'loops', loops: 'both' }, ['both loops', 'both lps', 'full stitch']],
  [{ is: 'times', times: null }, ['times', 'times over', 'time', 'reps', 'repetitions', '×', 'x']],
  [{ is: 'times', times: 1 }, ['once']],
  [{ is: 'times', times: 2 }, ['twice']],
  [{ is: 'times', times: 3 }, ['thrice']],
  [
    { is: 'repeat' },
    [
      'repeat',
      'rep',
      'rpt',
      'reps',
      'repeating',
      'repeat from beginning',
      'repeat from beg',
      'repeat from start',
      'rep from beginning',
      'rep from beg',
      'rep from start',
      'repeat from beginning round',
      'repeat from beginning row',
      'repeat from',
      'rep from',
      'repeats',
      'do this',
      'and so on',
      'so on',
      'etc',
      'continue like this',
      'continue in this way',
      'continue in this manner',
      'continue this way',
      'carry on like this',
      'keep going like this',
      'go on like this',
      'continue like that',
      'carry on like that',
      'keep going like that',
      'go on like that',
    ],
  ],
  [
    { is: 'around' },
    [
      'around',
      'all around',
      'all way around',
      'all way round',
      'all round',
      'all way',
      'round about',
      'right round',
      'across',
      'to end',
      'to end round',
      'to end rnd',
      'to end row',
      'across row',
      'around round',
      'til end',
      'to marker',
      'round to marker',
      'to marker again',
      'round to marker again',
      'until you are back where you began',
      "until you're back where you began",
      "until you're back where you started",
      'back to where you began',
      'back to where you started',
      'until end',
      'until end round',
      'until end rnd',
      'until end row',
      'till end',
      'along',
      'back along',
      'back down',
      'back across',
      'to finish',
      'across to end',
      'to end rd',
      'till end round',
      'till end row',
      'all across',
      'for whole round',
      'and so on round',
      'and so on around',
      'and so on to end',
      'so on round',
      'so on around',
      'whole round',
      'in rest',
      'in rest them',
      'in all others',
      'in others',
    ],
  ],
  [{ is: 'stitch-word' }, ['st', 'sts', 'stitch', 'stitches', 'stitch(es)', 'sthes', 'hole', 'holes']],
  [
    { is: 'loop-word' },
    [
      'loop',
      'loops',
      'lp',
      'lps',
      'free loop',
      'free front loop',
      'free back loop',
      'left over loop',
      'remaining loop',
    ],
  ],
  [
    { is: 'each' },
    [
      'each',
      'every',
      'all',
      'ea',
      'ev',
      'e /',
      'each one',
      'every one',
      'every single',
      'per',
      'per every',
      'per each',
      'any',
      'every one them',
      'each one them',
      'all them',
      'each them',
    ],
  ],
  [{ is: 'same' }, ['same', 'that same', 'this same']],
  [{ is: 'last' }, ['last', 'final']],
  [
    { is: 'next' },
    [
      'next',
      'nxt',
      'foll',
      'following',
      'remaining',
      'rem',
      'one after',
      'one after that',
      'next one',
      'following one',
    ],
  ],
  [{ is: 'in' }, ['in', 'into', 'inside', 'on', 'through', 'over', 'thru', 'from']],
  [{ is: 'from-hook' }, ['from hook', 'from needle', 'from your hook', 'away from hook']],
  [
    { is: 'other-side' },
    [
      'along other side',
      'on other side',
      'working along other side',
      'work along other side',
      'other side',
      'down other side',
      'working on other side',
      'working back along other side',
      'along opposite side',
      'on opposite side',
      'working along opposite side',
      'working on opposite side',
      'opposite side',
      'back along other side',
      'continue on other side',
      'continue along other side',
      'up other side',
      'along bottom',
      'underside',
      'along underside',
      'working along underside',
      'on underside',
      'other edge',
      'along other edge',
      'far side',
      'working along bottom',
      'now along other side',
      'then along other side',
      'rotate',
      'rotate work',
      'rotate your work',
      'rotating',
      'rotating work',
      'rotating your work',
      'along other side chain',
      'along opposite side chain',
      'working along other side chain',
      'on other side chain',
      'on other side ch',
      'along other side ch',
      'other side chain',
      'opposite side chain',
      'other side ch',
      'along other side foundation chain',
      'working along other side foundation chain',
      'work other side',
      'turn to other side',
      'turn to other side chain',
      'turn work to other side',
      'turn round to other side',
      'turn around to other side',
      'working in unused loops other side',
    ],
  ],
  [
    { is: 'both-layers' },
    [
      'through both layers',
      'with wrong sides together',
      'wrong sides together',
      'with right sides together',
      'right sides together',
      'through both sides',
      'both layers',
      'both sides',
      'through two layers',
      'through both',
      'across both layers',
      'through both edges',
      'through both pieces',
      'both pieces together',
      'into both layers',
      'both layers together',
      'both edges',
      'both edges together',
      'both halves',
      'edges together',
      'both thicknesses',
      'both walls',
      'through both walls',
      'through both thicknesses',
      'through all layers',
      'through both layers together',
      'both sides together',
      'two sides together',
      'the two sides together',
      'two layers together',
      'the two layers together',
      'layers together',
      'the layers together',
      'sides together',
      'front and back together',
    ],
  ],
  [{ is: 'until' }, ['until', 'till', 'til', 'til you have', 'until you have', 'until there are', 'until only']],
  [{ is: 'remain' }, ['remain', 'remains', 'left', 'are left', 'is left', 'remaining on round']],
  [
    { is: 'total' },
    [
      'total',
      'in total',
      'altogether',
      'you now have',
      'you should have',
      'you should now have',
      'now have',
      'you will have',
      'makes',
      ...haveNow('you'),
      ...haveNow('we'),
      ...haveNow('i'),
      "so that's",
      'that gives',
      'leaves you with',
      'leaves',
      'which leaves',
      'that leaves',
      'which gives',
      'leaving',
      'gives',
      'for total',
      'stitch count',
      'stitch count is',
      'count is',
      'count should be',
      'st count',
      'count',
      'ending with',
      'end with',
      'ends with',
      'resulting in',
      'which makes',
      'to make',
      'this gives',
      'giving',
      'making',
      'that makes',
      "that's",
      'you will now have',
      'should be',
      'makes total',
      'you get',
      'you end up with',
    ],
  ],
  [{ is: 'counts' }, ['counts as', 'counted as', 'counts', 'count as', 'is counted as', 'counting as']],
  [
    { is: 'counts-not' },
    [
      'does not count',
      "doesn't count",
      'not counted',
      'does not count as',
      "doesn't count as",
      'do not count',
      "don't count",
      'never counts',
      'never counts as',
      'not counting',
      'does not count for',
      'is not counted',
    ],
  ],
  [{ is: 'round-word' }, ['rnd', 'rnds', 'round', 'rounds', 'rd', 'rds']],
  [{ is: 'row-word' }, ['row', 'rows']],
  [
    { is: 'and' },
    ['and', 'then', 'and then', '&', '+', 'plus', 'now', 'next up', 'finally', 'followed by', 'followed'],
  ],
  [{ is: 'more' }, ['more', 'further', 'additional', 'extra']],
  [
    { is: 'work' },
    [
      'work',
      'make',
      'crochet',
      'do',
      'dial',
      'put',
      'working',
      'place',
      'worked',
      'taken',
      'drawn off',
      'start with',
      'begin with',
      'starting with',
      'starting',
      'beginning',
      'continue',
      'cont',
      'start',
      'begin',
      'with',
    ],
  ],
  [{ is: 'invisible' }, ['invisible', 'inv']],
  [{ is: 'post', side: 'front' }, ['front post', 'fp', 'raised front']],
  [{ is: 'post', side: 'back' }, ['back post', 'bp', 'raised back']],
  [{ is: 'evenly' }, ['evenly', 'even', 'plain', 'normally', 'loosely', 'tightly', 'simply', 'as normal', 'as usual']],
  [{ is: 'leave' }, ['leave', 'leaving', 'ignore', 'leave out']],
  [{ is: 'with' }, ['with', 'using', 'in colour', 'in color', 'with colour', 'with color']],
  [
    { is: 'change' },
    [
      'change to',
      'switch to',
      'changing to',
      'change color to',
      'change colour to',
      'switching to',
      'cc to',
      'join',
      'back to',
    ],
  ],
];

/**
 * First words of a clause that tells the maker to do something other than crochet, or just talks.
 * What follows one of them is no instruction, up to the next words that are.
 */
export const REMARK_LEADS: ReadonlySet<string> = new Set(
  `fasten finish cut weave leave leaving stuff stuffing stuffed fill filling filled insert place put push attach sew pull tighten draw thread close
  mark move remember keep keeping carry carrying do if this that these those it note pm change changing switch hold holding pinch
  fold press flatten add more last bit break tie hide secure you your now when we i be before after here there as so check
  gently carefully optional tip photo see his her he she they their and then while turn pick bury run let join slip drop
  cc tw rs ws firmly lightly too no not never always again both try enjoy lay bring flip snip trim knot embroider glue paint
  smooth shape set aside also because since but or remove replace count counted leaves having done pass wrap tuck safety
  eyes eye top toe time good well yes right wrong side sides facing worked fo mm sm bo unravel decide stop squash squeeze
  match align flat don't dont going rejoin reattach`.split(/\s+/),
);

/** As above, but only where the clause speaks neither of stitches nor of numbers: they may begin an instruction as well. */
export const WEAK_REMARK_LEADS: ReadonlySet<string> = new Set(
  `the a for from at to use take start continue begin make using work working with next on`.split(/\s+/),
);

/** Words that turn what follows them round: crochet behind one of them is not to be done. */
export const NOT_NOW: ReadonlySet<string> = new Set(
  "don't dont not never before after when if until while unless".split(' '),
);

/** Colours that are written small in the middle of an instruction: "sc 9 in white". */
export const COLOUR_WORDS: ReadonlySet<string> = new Set(
  `white black red blue green yellow pink purple orange brown grey gray cream beige tan navy teal turquoise lilac lavender
  peach coral mint gold silver ivory mustard rust sand maroon burgundy olive charcoal rose violet aqua fuchsia magenta crimson scarlet indigo ochre ecru khaki cyan`.split(
    /\s+/,
  ),
);
