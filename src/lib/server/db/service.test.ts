import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import { makeRig, type Rig } from '../testing.js';
import type { StandIn, Fault } from './testing/standIn.js';
import { patterns, versions } from './schema.js';

let rig: Rig;
let service: StandIn;
beforeEach(async () => {
  rig = await makeRig({ service: true });
  if (!rig.standIn) throw new Error('This is no service.');
  service = rig.standIn;
});
afterEach(async () => {
  service.fault = () => null;
  await rig.end();
});

const BALL = 'BALL\nRnd 1: 6 sc in MR (6)\n';
/** What one save asks of the service, and what it has done. */
async function saved(id: string, base: number): Promise<{ asked: number; outcome: unknown }> {
  await rig.counted();
  service.again();
  const outcome = await rig.patterns.save(id, `${BALL}Change ${base}.\n`, base);
  return { asked: service.again(), outcome };
}

describe('a database that is a service elsewhere', () => {
  it('keeps what is written, and gives it back', async () => {
    const id = await rig.patterns.add({ name: 'Ball', text: BALL });
    await rig.counted();
    expect(await rig.patterns.get(id)).toMatchObject({ name: 'Ball', text: BALL, revision: 1 });
    expect((await rig.shelf.page({ words: '6 sc', show: 'all', terms: 'any', sort: 'name' }, 0)).total).toBe(1);
    expect(await rig.trouble()).toBeNull();
  });

  it.each<Fault>(['lost before', 'lost after', 'overloaded', 'another leads', 'busy', 'slow'])(
    'loses nothing and writes nothing twice where, at any moment of it, there is a fault: %s',
    async (fault) => {
      const id = await rig.patterns.add({ name: 'Ball', text: BALL });
      let revision = 1;
      const { asked, outcome } = await saved(id, revision);
      expect(outcome).toEqual({ kind: 'saved', revision: (revision += 1) });
      expect(asked).toBeGreaterThan(3);
      for (let moment = 0; moment < asked; moment += 1) {
        await rig.counted();
        service.again();
        service.fault = (request) => (request === moment ? fault : null);
        expect(await rig.patterns.save(id, `${BALL}Change ${revision}.\n`, revision), `at ${moment}`).toEqual({
          kind: 'saved',
          revision: (revision += 1),
        });
        service.fault = () => null;
      }
      expect(await rig.patterns.get(id)).toMatchObject({ revision, text: `${BALL}Change ${revision - 1}.\n` });
      // One sitting, one earlier text.
      expect(await rig.database.db.$count(versions)).toBe(1);
      expect(await rig.database.db.$count(patterns)).toBe(1);
    },
  );

  it('is read again where an answer is lost', async () => {
    const id = await rig.patterns.add({ name: 'Ball', text: BALL });
    await rig.counted();
    for (const fault of ['lost before', 'lost after', 'overloaded', 'slow'] as const) {
      service.again();
      service.fault = (request) => (request === 0 ? fault : null);
      expect((await rig.patterns.get(id))?.name, fault).toBe('Ball');
    }
  });

  it('takes in one pattern for each that was sent, with a fault at every tenth request', async () => {
    const faults: Fault[] = ['lost after', 'another leads', 'lost before', 'overloaded'];
    let at = 0;
    service.fault = () => ((at += 1) % 10 === 0 ? (faults[(at / 10) % faults.length] ?? null) : null);
    const ids = await Promise.all(
      Array.from({ length: 20 }, (_, i) => rig.patterns.add({ name: `No. ${i}`, text: BALL })),
    );
    service.fault = () => null;
    await rig.counted();
    expect(new Set(ids).size).toBe(20);
    const names = (await rig.shelved()).map(({ name }) => name);
    expect(names.toSorted()).toEqual(Array.from({ length: 20 }, (_, i) => `No. ${i}`).toSorted());
  });
});
