import { afterEach, beforeEach, expect, it } from 'vitest';
import { makeRig, type Rig } from './testing.js';

let rig: Rig;
beforeEach(async () => {
  rig = await makeRig();
});
afterEach(() => rig.end());

it('a pattern’s own settings stand over those for all, and the shelf follows them', async () => {
  const { patterns, rules, recounts } = rig;
  const id = await patterns.add({ name: 'Ball', text: 'US terms\n\nBALL\nRnd 1: 6 sc in MR (7)\nFasten off.\n' });
  const errors = async () => {
    await recounts.askStale();
    await rig.counted();
    return (await rig.shelved())[0]?.summary?.errors;
  };
  expect(await errors()).toBe(1);

  await rules.set(undefined, { rule: 'count/stated', severity: 'off' });
  expect((await rig.shelved())[0]?.state).toBe('counting');
  expect(await errors()).toBe(0);

  await rules.set(id, { rule: 'count/stated', severity: 'error' });
  expect(await rules.holdingFor(id)).toEqual({ 'count/stated': 'error' });
  expect(await rules.holdingFor('another')).toEqual({ 'count/stated': 'off' });
  expect(await errors()).toBe(1);

  await rules.set(id, { rule: 'count/stated', severity: null });
  expect(await rules.of(id)).toEqual({});
  expect((await patterns.notes(id)).rules).toEqual({ 'count/stated': 'off' });
});

it.each(['__proto__', 'constructor', 'count/never', ''])('there is no rule %j, and none is set', async (rule) => {
  expect(await rig.rules.set(undefined, { rule, severity: 'off' })).toBe(false);
  expect(await rig.rules.of()).toEqual({});
});

it('a rule is not set for a pattern that is not there', async () => {
  expect(await rig.rules.set('nobody', { rule: 'count/stated', severity: 'off' })).toBe(false);
});
