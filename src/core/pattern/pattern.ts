import type { Sense } from '../vocabulary/senses.js';
import type { SourceText, Span } from '../text/source.js';
import type { SectionKind } from '../vocabulary/sections.js';
import type { StitchId, Vocabulary } from '../vocabulary/stitches.js';
import type { StatedCount, Step } from './instruction.js';

/** Earlier rounds worked again: "repeat Rnds 2 and 3 four times", "as Rnd 8", "as for First leg". */
export interface RoundReference {
  /** Empty where a whole piece is named. */
  readonly rounds: readonly number[];
  /** "The last two rows": how many of those before. */
  readonly last?: number;
  /** The piece that the rounds are of, as the text calls it, in lower case; without it the one at hand. */
  readonly part?: string;
  /** "to Rnd 9": the last round of that piece. */
  readonly upTo?: number;
  /** How many times the group is worked; null where the label's own range says it. */
  readonly times: number | null;
  readonly span: Span;
}

export interface Unread {
  readonly span: Span;
  readonly text: string;
  /** It was not looked at word by word: no round is as long as this. */
  readonly tooLong?: true;
}

export interface BracketProblem {
  readonly span: Span;
  readonly what: 'never-closed' | 'never-opened' | 'star-alone';
  readonly mark: string;
}

/** What of an instruction was not simply read, and how it was come by. */
export interface Doubt {
  /** Words passed over; words or repeats worked out from the counts; brackets in disorder, read as it must be meant. */
  readonly kind: 'passed-over' | 'worked-out' | 'repaired';
  /** The reasons, each a clause of its own. */
  readonly why: readonly string[];
}

/** How something was taken that may be meant in several ways. */
export interface Choice {
  readonly what: string;
  /** Several where it can't be told which of them it is. */
  readonly ways: readonly string[];
  /** The way in which most people mean it. */
  readonly usual: boolean;
}

/** What was understood of the words of one instruction. */
export interface Instruction {
  /** Its words were taken by their gist, with these choices. */
  readonly taken?: readonly Choice[];
  readonly steps: readonly Step[];
  readonly reference: RoundReference | null;
  readonly stated: StatedCount | null;
  /** "for 3 rnds" in the instruction of a range. */
  readonly statedRounds: { readonly count: number; readonly span: Span } | null;
  readonly unread: readonly Unread[];
  readonly brackets: readonly BracketProblem[];
  /** Its brackets are in disorder, and it was read as it must be meant. */
  readonly repaired?: true;
  /** A part of it stands in columns of its own: its words alone don't say it. */
  readonly tabular?: true;
  /** Left out where all of it was read as it stands. */
  readonly doubt?: Doubt;
  /** "Step 12: stuff firmly": it tells the maker something, and nothing is worked. */
  readonly idle?: true;
  /** Stitches that are called by a name of the other vocabulary. */
  readonly foreign: readonly { readonly span: Span; readonly stitch: StitchId }[];
  /** Words to the maker in the instruction: markers, stuffing, talk. */
  readonly remarks: readonly Span[];
}

/** One labelled instruction, or one that stands without a label (a flat closing, an edging). */
export interface Round extends Instruction {
  /** As written: "Rnd 3", "R7-R10"; the first words of a line that has no label. */
  readonly label: string;
  readonly kind: 'round' | 'row';
  /** Whether a label stands there at all; without one `from` and `to` are 0. */
  readonly labelled: boolean;
  readonly from: number;
  readonly to: number;
  /** The very numbers that the label names: "Rnds 5, 7 and 9" names three of five. */
  readonly numbers: readonly number[];
  readonly labelSpan: Span;
  /** Label and instruction, from first to last word. */
  readonly span: Span;
  /** Where the instruction begins, behind the label. */
  readonly bodyFrom: number;
}

export type PieceStart =
  /** Chains worked along: `chains` long, `ring` where their ends are joined. */
  {
    readonly kind: 'chains';
    readonly chains: number;
    readonly ring: boolean;
    readonly firstFromHook: number | null;
    /** The figure that says how many. */
    readonly figure: Span;
  };

/** What a part begins with before its first round, and the rounds that grow on it. */
export interface Stretch {
  /** Null for the part's own first stretch; the heading of an edging, lip or collar otherwise. */
  readonly name: string | null;
  readonly start: PieceStart | null;
  /** Loops left free earlier that this stretch is worked into, where its lead says so. */
  readonly into: {
    readonly loops: 'front' | 'back' | null;
    readonly round: number | null;
    /** How many there are, where the words say it. */
    readonly count?: number;
    readonly span: Span;
  } | null;
  /** The words before its first round divide the edge, or pass over a part of it: the stretch takes a share. */
  readonly divided: boolean;
  readonly rounds: readonly Round[];
}

export interface Part {
  readonly name: string;
  readonly make: number;
  /** How many are to be made stands at the heading; otherwise `make` is 1. */
  readonly saysMake: boolean;
  readonly heading: Span;
  readonly stretches: readonly Stretch[];
}

/** A stretch of the text that is no part: materials, abbreviations, notes, assembly. */
export interface Section {
  readonly kind: SectionKind;
  readonly heading: Span;
  readonly span: Span;
}

/** A line that is neither heading nor instruction, with where it stands. */
export interface Passage {
  readonly span: Span;
  readonly section: SectionKind | null;
  /** The part that it stands in; null outside of all parts. */
  readonly part: Part | null;
  /** The round of that part that it stands behind; null before the first. */
  readonly after: Round | null;
}

/** A word of the pattern's own list of abbreviations, with what it says it means. */
export interface LegendEntry {
  readonly term: string;
  readonly meaning: string;
  readonly span: Span;
}

export interface TermsReading {
  readonly declared: Vocabulary | null;
  /** Where it is declared. */
  readonly declaredAt: Span | null;
  readonly detected: Vocabulary | 'mixed' | 'unclear';
  /** From 0 to 1. */
  readonly confidence: number;
  /** The vocabulary that the instructions were read in. */
  readonly used: Vocabulary;
}

/** Which starting chains stand for a stitch, as the pattern says once for all: chain length → counts. */
export type ChainRule = ReadonlyMap<number, boolean>;

/** All rounds of a pattern, in the order of the text. */
export function roundsOf({ parts }: Pick<Pattern, 'parts'>): Round[] {
  const all: Round[] = [];
  for (const { stretches } of parts) for (const { rounds } of stretches) for (const round of rounds) all.push(round);
  return all;
}

/** A text, understood: what everything after the reader works on. */
export interface Pattern {
  readonly source: SourceText;
  readonly terms: TermsReading;
  readonly legend: readonly LegendEntry[];
  readonly chainRule: ChainRule;
  /** Words that the text explains nowhere, with what is settled that they mean. */
  readonly said: ReadonlyMap<string, Sense>;
  /** Those with what they were found to mean. */
  readonly words: ReadonlyMap<string, Sense>;
  readonly title: string | null;
  readonly parts: readonly Part[];
  readonly sections: readonly Section[];
  readonly passages: readonly Passage[];
  /**
   * Reads an instruction by itself with the pattern's own words; its spans are in the text given.
   * @param like the instruction that it was before some change: where that was taken by its gist, so is this.
   */
  readonly readAgain: (instruction: string, like: Instruction) => Instruction;
  /** The words in a stretch that mean nothing by themselves, in small letters and in the singular, and where they stand. */
  readonly unclear: (span: Span) => readonly (Span & { readonly word: string })[];
}
