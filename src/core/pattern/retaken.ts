import type { Instruction, Pattern, Round } from './pattern.js';

/** The pattern with some of its rounds taken otherwise; all else stands where it stood. */
export function retaken(pattern: Pattern, readings: ReadonlyMap<Round, Instruction>): Pattern {
  if (readings.size === 0) return pattern;
  const rounds = new Map<Round, Round>();
  const parts = new Map(
    pattern.parts.map((part) => [
      part,
      {
        ...part,
        stretches: part.stretches.map((stretch) => ({
          ...stretch,
          rounds: stretch.rounds.map((round) => {
            const instruction = readings.get(round);
            const taken = instruction ? { ...round, ...instruction } : round;
            rounds.set(round, taken);
            return taken;
          }),
        })),
      },
    ]),
  );
  return {
    ...pattern,
    parts: [...parts.values()],
    passages: pattern.passages.map((passage) => ({
      ...passage,
      part: (passage.part && parts.get(passage.part)) ?? null,
      after: (passage.after && rounds.get(passage.after)) ?? null,
    })),
  };
}
