/** A release of the demo: the first version of the puffin, and a mistake that was found in it afterwards. */
import { triedErratum } from '../src/lib/server/erratum.js';
import type { PatternStore } from '../src/lib/server/patterns.js';
import type { Counting } from '../src/lib/server/counting/counting.js';
import type { ReleaseStores } from '../src/lib/server/releaseStores.js';

interface Kept extends ReleaseStores {
  readonly patterns: PatternStore;
  readonly counting: Counting;
}

/** Confirms what a person has to, signs version 1.0, and enters an erratum. */
export async function release(id: string, { patterns, releases, errata, counting }: Kept): Promise<void> {
  const pattern = await patterns.get(id);
  const readiness = await releases.readiness(id);
  if (!pattern || !readiness) return;
  for (const { id: line, person } of readiness.checklist)
    if (person) await releases.confirm(id, { line, who: 'Jonne Tide', basis: person.basis });
  const signed = await releases.sign(id, {
    number: '1.0',
    who: 'Oda Marram',
    note: 'The first of the spring list.',
    styled: false,
    base: pattern.revision,
  });
  if (signed.kind !== 'signed') throw new Error(`The demo's puffin can't be signed: ${JSON.stringify(signed)}`);
  const line = pattern.text.split('\n').findIndex((words) => words.startsWith('Sew the wings')) + 1;
  const asked = {
    version: '1.0',
    line,
    right: 'Sew the wings to the sides of the body at Rnd 20, the closed edge up.',
    note: 'Sewn on at Rnd 18 they hide the patches.',
    source: 'a buyer',
  };
  await errata.add(id, asked, await triedErratum({ releases, counting }, id, asked));
}
