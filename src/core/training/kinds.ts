/** The kinds of fault that practice patterns are given: what a person says of a line that they mark. */
export interface FaultKind {
  readonly id: string;
  /** What is wrong, as somebody picks it from a list. */
  readonly words: string;
  /** The level from which on it is planted. */
  readonly level: Level;
  /** The rules that find it: any of them proves it. */
  readonly rules: RegExp;
}

export const LEVELS = [1, 2, 3, 4] as const;
export type Level = (typeof LEVELS)[number];

/** All kinds, those that one meets first before the others. What happens, and how: see docs/trainer.md. */
export const FAULT_KINDS = [
  { id: 'stated', words: 'The stated count is a slip', level: 1, rules: /^count\/stated$/ },
  { id: 'figure', words: 'A number of stitches is wrong', level: 1, rules: /^count\// },
  { id: 'times', words: 'The number of repeats is wrong', level: 1, rules: /^count\// },
  { id: 'swapped', words: 'An increase stands for a decrease, or the other way', level: 1, rules: /^count\// },
  { id: 'multiple', words: 'The repeat does not go into the round', level: 2, rules: /^count\// },
  { id: 'no-times', words: 'A repeat does not say how often', level: 2, rules: /^(?:notation\/times|count\/)/ },
  { id: 'gap', words: 'A round falls into a gap of the numbers', level: 2, rules: /^frame\/gap$/ },
  { id: 'twice', words: 'A number of a round stands twice', level: 2, rules: /^frame\/(?:duplicate|order)$/ },
  { id: 'bracket', words: 'A bracket is missing', level: 2, rules: /^notation\/bracket$/ },
  { id: 'range', words: 'The range and its number of rounds disagree', level: 3, rules: /^frame\/range$/ },
  { id: 'mixed', words: 'A term of the other vocabulary', level: 3, rules: /^terms\/(?:mixed|undefined)$/ },
  { id: 'eyes-late', words: 'Eyes go in when the part is closed', level: 3, rules: /^make\/eyes-late$/ },
  { id: 'place', words: 'A place that the part does not have', level: 3, rules: /^make\/place$/ },
  { id: 'quantity', words: 'How many to make disagrees', level: 3, rules: /^frame\/quantity$/ },
  { id: 'stuffing', words: 'Stuffing comes too late, or never', level: 4, rules: /^make\/stuffing-late$/ },
  { id: 'colour', words: 'A colour that the materials do not list', level: 4, rules: /^materials\/colour$/ },
  { id: 'hook', words: 'Millimetres and letter of the hook disagree', level: 4, rules: /^materials\/hook-size$/ },
  { id: 'loose', words: 'A part that nothing attaches', level: 4, rules: /^make\/not-attached$/ },
] as const satisfies readonly FaultKind[];

export type FaultKindId = (typeof FAULT_KINDS)[number]['id'];
export const FAULT_KIND_IDS = FAULT_KINDS.map(({ id }) => id);

/** A kind by its name. */
export function kindOf(id: FaultKindId): FaultKind {
  const kind = FAULT_KINDS.find((one) => one.id === id);
  if (!kind) throw new Error(`There is no kind of fault called ${id}.`);
  return kind;
}
