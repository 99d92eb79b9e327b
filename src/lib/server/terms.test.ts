import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import { convertTerms } from '../../core/index.js';
import { merged } from './counting/work.js';
import type { PatternStore } from './patterns.js';
import type { TermsStore } from './terms.js';
import { makeRig, type Rig } from './testing.js';

let rig: Rig;
let patterns: PatternStore;
let terms: TermsStore;

beforeEach(async () => {
  rig = await makeRig();
  ({ patterns, terms } = rig);
});

afterEach(() => rig.end());

const BALL = 'Ball\nUS terms\n\nRnd 1: 6 sc in MR (6)\nRnd 2: sc around (6)\nMake the next one double.\n';
const UK = { to: 'uk', hooks: false, weights: false, spelling: false } as const;

describe('editions', () => {
  it('are patterns of their own, linked to their source', async () => {
    const id = await patterns.add({ name: 'Ball', text: BALL });
    const made = await terms.edition(id, UK);
    expect(made).toMatchObject({ kind: 'made', kept: 0 });
    const edition = await patterns.get(made?.id ?? '');
    expect(edition).toMatchObject({ name: 'Ball (UK terms)' });
    expect(edition?.text).toContain('Rnd 1: 6 dc in MR (6)');
    expect((await terms.notes(id)).editions).toEqual([
      { id: made?.id, name: 'Ball (UK terms)', to: 'uk', behind: false },
    ]);
    expect((await terms.notes(made?.id ?? '')).source).toMatchObject({ id, behind: false });
  });

  it('fall behind with their source, and take over what has changed in it and nothing else', async () => {
    const id = await patterns.add({ name: 'Ball', text: BALL });
    const made = await terms.edition(id, UK);
    const edition = await patterns.get(made?.id ?? '');
    await patterns.save(edition?.id ?? '', (edition?.text ?? '').replace('Ball\n', 'Ball, our own words\n'), 1);
    await patterns.save(id, BALL.replace('Rnd 2: sc', 'Rnd 2: hdc'), 1);
    expect((await terms.notes(id)).editions[0]).toMatchObject({ behind: true });
    expect(await terms.edition(id, UK)).toMatchObject({ kind: 'updated', kept: 0 });
    const text = (await patterns.get(made?.id ?? ''))?.text ?? '';
    expect(text).toContain('Ball, our own words\n');
    expect(text).toContain('Rnd 2: htr around (6)');
    expect((await terms.notes(id)).editions[0]).toMatchObject({ behind: false });
  });

  it('are not made of what can’t be told or proved', async () => {
    const id = await patterns.add({ name: 'List', text: 'Milk, bread, two eggs.' });
    expect(await terms.edition(id, UK)).toBeNull();
  });
});

describe('decisions', () => {
  it('hold for the next draft', async () => {
    const id = await patterns.add({ name: 'Ball', text: BALL });
    const question = convertTerms(BALL, { to: 'uk' }).changes.find(({ doubtful }) => doubtful);
    await terms.decide(id, { to: 'uk', key: question?.key ?? '', written: 'treble' });
    await patterns.save(id, `${BALL}\nAnother line.\n`, 1);
    const made = await terms.edition(id, UK);
    expect((await patterns.get(made?.id ?? ''))?.text).toContain('Make the next one treble.');
    await terms.decide(id, { to: 'uk', key: question?.key ?? '', written: null });
    expect((await terms.notes(id)).decisions).toEqual([]);
  });

  it('settle which terms a pattern is in', async () => {
    const id = await patterns.add({ name: 'Ring', text: 'Rnd 1: 8 dc in a ring (8)\n' });
    expect(await terms.settle(id, 'uk')).toBe(true);
    expect(await patterns.get(id)).toMatchObject({ terms: 'uk' });
    expect(await terms.settle('nobody', 'uk')).toBe(false);
  });
});

it('keeps the edition’s own lines where both have changed them', () => {
  expect(merged('a\nown\nc', 'a\nb\nc', 'a\nnew\nc')).toEqual({ text: 'a\nown\nc', kept: 1 });
});
