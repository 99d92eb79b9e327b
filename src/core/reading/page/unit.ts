import type { Span } from '../../text/source.js';
import type { Heading } from '../headings.js';
import type { Label } from '../labels.js';

/** A figure that the layout of a text shows to be more than a part of the instruction. */
export interface Figure {
  readonly value: number;
  readonly span: Span;
}

/** A round as the series of numbers in the text shows it, and not a form of label that is known. */
export interface Unit {
  readonly label: Label;
  /** Where its instruction stands. */
  readonly body: Span;
  /** The figure in the place in which the hand writes its counts; null where there is none. */
  readonly stated: Figure | null;
  /** How often the instruction is done, in a column of its own. */
  readonly times?: Figure;
  /** By how many stitches the round grows, in a column of its own, where no other words tell how. */
  readonly change?: Figure;
  /** The same as the round before. */
  readonly ditto?: true;
  /** The piece it belongs to, in a column of its own. */
  readonly part?: string;
  /** All of it, label and count included. */
  readonly span: Span;
}

/** One way to take the lines of a text: which are rounds, and which name a piece. */
export interface Units {
  readonly units: readonly Unit[];
  /** Lines that name the piece whose rounds come next. */
  readonly headings: ReadonlyMap<number, Heading>;
  /** The numbers of its rounds go up while the lines go down. */
  readonly upwards: boolean;
}

export const NO_UNITS: Units = { units: [], headings: new Map(), upwards: false };
