import type { CountedPattern, CountedRound } from '../counting/counted.js';
import type { Document } from '../document/document.js';
import type { Prose } from '../document/prose.js';
import type { Drawing } from '../shape/drawing.js';
import type { Span } from '../text/source.js';

export type Severity = 'error' | 'warning' | 'hint';

/** A change of the text that would put something right: each span is replaced by its text. */
export interface Fix {
  readonly title: string;
  readonly edits: readonly { readonly span: Span; readonly text: string }[];
}

/** Something found at a place in the text. */
export interface Found {
  readonly span: Span;
  /** First what is wrong, with the figures; then what would make it right. */
  readonly message: string;
  readonly round: CountedRound | null;
  /** Where it weighs less here than the rule's findings do in general. */
  readonly severity?: Severity;
  readonly fixes?: readonly Fix[];
  /** Finds its fixes, where words have to be read again for them: they are asked for when somebody pauses. */
  readonly search?: () => readonly Fix[];
}

/**
 * A check: a pure function of the counted pattern, and data about itself. The examples are whole
 * small patterns; they are shown in the rule list and are the rule's first tests.
 */
export interface Rule {
  readonly id: string;
  readonly severity: Severity;
  /** It compares what stands far apart in one pattern, and makes no sense of a text that holds many. */
  readonly across?: true;
  /** One line: what it finds. */
  readonly about: string;
  /** A pattern in which it finds something, and the figures that its message must hold. */
  readonly failing: { readonly text: string; readonly says: readonly string[] };
  /** A pattern, as like as can be, in which it finds nothing. */
  readonly passing: string;
  /** The drawing is worked out as far as a rule asks for it. */
  check(counted: CountedPattern, prose: Prose, document: Document, drawing: Drawing): Iterable<Found>;
}
