import { describe, expect, it } from 'vitest';
import { convertTerms, NO_HAND, termsEvidence, type Conversion } from '../../core/index.js';
import type { StoredPattern, TermDecision, TermsNotes, TermsWanted } from '../patterns.js';
import { GaveUp, Unfetched } from '../workers/watched.js';
import { editionInWords, TermsSession, type Converting } from './terms.svelte.js';

const BEAR =
  'Bear\nUS terms\n\nsc = single crochet\n\nHead\nRnd 1: 6 sc in MR (6)\nRnd 2: sc around (6)\nMake the next one double.\n';
const NOTES: TermsNotes = { decisions: [], editions: [], source: null };
const patternOf = (text: string, terms: StoredPattern['terms'] = 'auto'): StoredPattern => ({
  id: 'one',
  name: 'One',
  text,
  revision: 1,
  terms,
  hand: NO_HAND,
});

/** Converts in the test's own thread. */
const here: Converting = {
  evidence: (text) => Promise.resolve(termsEvidence(text)),
  convert: ({ text, decisions, ...options }) =>
    Promise.resolve(convertTerms(text, { ...options, decisions: new Map(Object.entries(decisions)) })),
  close: () => undefined,
};

/** What was kept, in order; nothing is where `working` is false. */
function keeper() {
  const kept: unknown[] = [];
  const failures: unknown[] = [];
  const state = { working: true };
  const keep = (what: unknown) => {
    if (!state.working) return Promise.reject(new Error('not kept'));
    kept.push(what);
    return Promise.resolve();
  };
  return {
    kept,
    failures,
    state,
    settle: (terms: StoredPattern['terms']) => keep(terms),
    decide: (decision: TermDecision) => keep(decision),
    edition: async (wanted: TermsWanted) => {
      await keep(wanted);
      return { id: 'two', kind: 'made' as const, kept: 0 };
    },
    failed: (error: unknown) => void failures.push(error),
  };
}

async function sessionOn(pattern: StoredPattern, notes = NOTES) {
  const keep = keeper();
  const session = new TermsSession(pattern, notes, keep);
  await session.begin(here);
  return { session, keep };
}

describe('a session begins', () => {
  it('into the other terms than the text is in, with its questions open', async () => {
    const { session } = await sessionOn(patternOf(BEAR));
    expect(session.to).toBe('uk');
    expect(session.conversion?.state).toBe('proved');
    expect(session.waiting.map(({ before }) => before)).toEqual(['double']);
    expect(session.refused).toBe(false);
    expect(session.change).toBeNull();
  });

  it('goes by what was settled, and by what was decided before', async () => {
    const first = (await sessionOn(patternOf(BEAR))).session;
    const [asked] = first.waiting;
    if (!asked) throw new Error('There is a question.');
    const decisions = [{ to: 'uk' as const, key: asked.key, written: 'double' }];
    const { session } = await sessionOn(patternOf(BEAR), { ...NOTES, decisions });
    expect(session.waiting).toEqual([]);
    expect(session.conversion?.text).toContain('Make the next one double.');
    expect((await sessionOn(patternOf(BEAR, 'uk'))).session.to).toBe('us');
  });

  it('refuses a text that can’t be told apart, until its terms are settled', async () => {
    const both = 'Rnd 1: 6 sc in MR (6)\nRnd 2: htr 6\nRnd 3: sc 6\nRnd 4: htr 6\nRnd 5: sc 6\nRnd 6: htr 6\n';
    const { session, keep } = await sessionOn(patternOf(both));
    expect(session.refused).toBe(true);
    expect(session.conversion?.state).toBe('mixed');
    expect(await session.save()).toBeNull();
    await session.settle('us');
    expect(session.conversion?.state).not.toBe('mixed');
    expect(keep.kept).toEqual(['us']);
  });
});

describe('what is decided', () => {
  it('is shown, kept for these terms, and can be taken back', async () => {
    const { session, keep } = await sessionOn(patternOf(BEAR));
    const [asked] = session.waiting;
    if (!asked) throw new Error('There is a question.');
    await session.decide(asked, 'treble');
    expect(session.conversion?.text).toContain('Make the next one treble.');
    expect(keep.kept).toEqual([{ to: 'uk', key: asked.key, written: 'treble' }]);
    await session.decide(asked, null);
    expect(session.waiting).toHaveLength(1);
  });

  it('is as it was where it could not be kept, and that is told', async () => {
    const { session, keep } = await sessionOn(patternOf(BEAR));
    const before = session.conversion?.text;
    const [asked] = session.waiting;
    if (!asked) throw new Error('There is a question.');
    keep.state.working = false;
    await session.decide(asked, 'something else');
    expect(session.conversion?.text).toBe(before);
    await session.settle('uk');
    expect(session.settled).toBe('auto');
    expect(session.to).toBe('uk');
    expect(keep.failures).toHaveLength(2);
  });

  it('is done to the change that is looked at, by key', async () => {
    const { session } = await sessionOn(patternOf(BEAR));
    await session.decideHere('before');
    expect(session.changes.every(({ decided }) => !decided)).toBe(true);
    session.step(1, session.questions);
    expect(session.change?.before).toBe('double');
    await session.decideHere('after');
    expect(session.change).toMatchObject({ written: 'treble', decided: true });
    await session.decideHere('before');
    expect(session.change?.written).toBe('double');
    await session.decideHere(null);
    expect(session.change?.decided).toBe(false);
  });
});

it('goes through the changes, and round from the last to the first', async () => {
  const { session } = await sessionOn(patternOf(BEAR));
  const { length } = session.changes;
  const seen: number[] = [];
  for (let i = 0; i <= length; i += 1) {
    session.step(1);
    seen.push(session.at);
  }
  expect(seen).toEqual([...Array(length).keys(), 0]);
  session.step(-1);
  expect(session.at).toBe(length - 1);
  session.step(1, []);
  expect(session.at).toBe(length - 1);
});

it('takes along what is wanted, and goes into either terms', async () => {
  const text = `${BEAR}Use color A and a 3.5 mm hook.\n`;
  const { session } = await sessionOn(patternOf(text));
  expect(session.conversion?.text).toContain('color A');
  await session.setAlong({ spelling: true });
  expect(session.conversion?.text).toContain('colour A');
  await session.into('us');
  expect(session.conversion?.state).toBe('already');
  expect(session.refused).toBe(true);
});

describe('an edition', () => {
  it('is saved with what goes along, once at a time', async () => {
    const { session, keep } = await sessionOn(patternOf(BEAR));
    await session.setAlong({ hooks: true });
    const first = session.save();
    expect(session.saving).toBe(true);
    expect(await session.save()).toBeNull();
    expect(await first).toMatchObject({ id: 'two', kind: 'made' });
    expect(session.saving).toBe(false);
    expect(keep.kept).toEqual([{ to: 'uk', hooks: true, weights: false, spelling: false }]);
  });

  it('that could not be kept is told, and can be tried again', async () => {
    const { session, keep } = await sessionOn(patternOf(BEAR));
    keep.state.working = false;
    expect(await session.save()).toBeNull();
    expect(keep.failures).toHaveLength(1);
    keep.state.working = true;
    expect(await session.save()).not.toBeNull();
  });

  it.each([
    [{ id: 'x', kind: 'made', kept: 0 }, 'The edition is on the shelf.'],
    [{ id: 'x', kind: 'same', kept: 0 }, 'The edition was up to date.'],
    [
      { id: 'x', kind: 'updated', kept: 1 },
      'The edition is up to date. 1 place changed in both stayed as in the edition.',
    ],
    [
      { id: 'x', kind: 'updated', kept: 3 },
      'The edition is up to date. 3 places changed in both stayed as in the edition.',
    ],
  ] as const)('%j in words', (made, words) => {
    expect(editionInWords(made)).toBe(words);
  });
});

describe('a text that can’t be converted', () => {
  const failing = (error: Error): Converting => ({
    ...here,
    convert: () => Promise.reject(error),
  });

  it.each([
    ['given up', (): Error => new GaveUp('too long'), /too much to convert at once/],
    ['a fault', (): Error => new Error('a fault'), /by a fault of Dostik/],
    ['without its code', (): Error => new Unfetched('offline'), /could not be fetched.*once there is a connection/],
  ])('%s', async (_, error, words) => {
    const session = new TermsSession(patternOf(BEAR), NOTES, keeper());
    await session.begin(failing(error()));
    expect(session.conversion).toBeNull();
    expect(session.trouble).toMatch(words);
  });

  it('whose terms can’t even be looked for says so', async () => {
    const session = new TermsSession(patternOf(BEAR), NOTES, keeper());
    await session.begin({ ...here, evidence: () => Promise.reject(new GaveUp('too long')) });
    expect(session.trouble).toMatch(/too much/);
  });

  it('a question that was overtaken by another changes nothing', async () => {
    const answers: (Conversion | null)[] = [convertTerms(BEAR, { to: 'uk', from: 'auto', hand: NO_HAND }), null];
    const session = new TermsSession(patternOf(BEAR), NOTES, keeper());
    await session.begin({ ...here, convert: () => Promise.resolve(answers.shift() ?? null) });
    const before = session.conversion;
    await session.setAlong({ hooks: true });
    expect(session.conversion).toBe(before);
  });
});
