import {
  marked,
  NotPlantable,
  OtherLines,
  practice,
  practiceFrom,
  turned,
  turning,
  type FaultKindId,
  type Marked,
  type PencilMark,
  type PlantedFault,
  type School,
  type Turned,
  type Turning,
  type Wanted,
} from '../../../core/index.js';

/** It can't be done as it was asked for; why, and what to do, as a sentence. */
interface RefusedWork {
  readonly kind: 'refused';
  readonly why: string;
}

/** A practice pattern that was made. */
export interface MadePractice {
  readonly kind: 'made';
  readonly text: string;
  readonly faults: readonly PlantedFault[];
  readonly school: School | null;
  readonly terms: 'us' | 'uk';
}

function refusing<Done>(work: () => Done): Done | RefusedWork {
  try {
    return work();
  } catch (error) {
    if (error instanceof NotPlantable || error instanceof OtherLines) return { kind: 'refused', why: error.message };
    throw error;
  }
}

/** What the Trainer has the core do. */
export const TRAINING = {
  /** A practice pattern; made up, or from a clean text. */
  practice({ text, ...wanted }: Wanted & { readonly kinds: readonly FaultKindId[]; readonly text: string | null }) {
    return refusing((): MadePractice => ({
      kind: 'made',
      ...(text === null ? practice(wanted) : practiceFrom(text, wanted)),
    }));
  },

  /** A text whose terms are to be turned. */
  turning(wanted: Wanted) {
    return refusing((): MadePractice => {
      const { text, to } = turning(wanted);
      return { kind: 'made', text, faults: [], school: wanted.school ?? null, terms: to === 'us' ? 'uk' : 'us' };
    });
  },

  marked({
    text,
    faults,
    marks,
  }: {
    text: string;
    faults: readonly PlantedFault[];
    marks: readonly PencilMark[];
  }): Marked {
    return marked({ text, faults: [...faults] }, marks);
  },

  turned({ answer, ...made }: Turning & { readonly answer: string }) {
    return refusing((): { readonly kind: 'turned'; readonly turned: Turned } => ({
      kind: 'turned',
      turned: turned(made, answer),
    }));
  },
};
