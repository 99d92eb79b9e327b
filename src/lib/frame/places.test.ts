import { describe, expect, it } from 'vitest';
import type { Summary } from '../patterns.js';
import { HOUSE, PATTERN, type Standing } from './places.js';

const summary: Summary = {
  parts: 2,
  rounds: 10,
  agree: 10,
  off: 0,
  unclear: 0,
  errors: 0,
  warnings: 0,
  terms: 'us',
  ticked: 0,
  tally: 'aaaaaaaaaa',
};
const standing: Standing = {
  id: '1',
  name: 'Ball',
  summary,
  state: 'counted',
  settled: 'auto',
  editions: [],
  source: null,
  rules: 0,
  drafts: 1,
  release: null,
  testers: null,
  queries: {},
};
const edition = { id: '2', name: 'Ball (UK terms)', to: 'uk' as const, behind: false };

const said = (place: string, of: Partial<Standing>) =>
  PATTERN.find(({ id }) => id === place)?.state({ ...standing, ...of }) ?? null;

describe('what is said of a place from every other', () => {
  it.each([
    [{}, 'comes out'],
    [{ summary: { ...summary, off: 2, errors: 3 } }, '2 off'],
    [{ summary: { ...summary, unclear: 1 } }, '1 unreadable'],
    [{ summary: { ...summary, errors: 1 } }, '1 error'],
    [{ summary: { ...summary, warnings: 2 } }, '2 warnings'],
    [{ summary: { ...summary, rounds: 0, agree: 0 } }, 'no rounds'],
    [{ summary: null, state: 'counting' }, 'counting…'],
    [{ summary: null, state: 'too-much' }, 'not counted'],
  ] satisfies [Partial<Standing>, string][])('the Desk: %o', (of, words) => {
    expect(said('desk', of)?.words).toBe(words);
  });

  it.each([
    [{}, 'US'],
    [{ settled: 'uk' }, 'UK'],
    [{ summary: { ...summary, terms: 'mixed' } }, 'mixed'],
    [{ summary: { ...summary, terms: 'unclear' } }, undefined],
    [{ editions: [edition] }, 'UK edition'],
    [{ editions: [edition, { ...edition, to: 'us', behind: true }] }, 'US edition behind'],
    [{ source: { ...edition, behind: true } }, 'this edition is behind'],
    [{ source: edition }, 'US'],
    [{ summary: null }, undefined],
  ] satisfies [Partial<Standing>, string | undefined][])('Terms: %o', (of, words) => {
    expect(said('terms', of)?.words).toBe(words);
  });

  it('its rules: only where some are set', () => {
    expect(said('pattern-rules', {})).toBeNull();
    expect(said('pattern-rules', { rules: 2 })?.words).toBe('2 set');
  });

  it('marks what is to be done, and nothing else', () => {
    expect(said('terms', {})).not.toHaveProperty('mark');
    expect(said('terms', { editions: [{ ...edition, behind: true }] })?.mark).toBe('warning');
    expect(said('desk', { summary: { ...summary, off: 1 } })?.mark).toBe('off');
  });

  it('has a key for each place, and none twice', () => {
    const keys = [...HOUSE, ...PATTERN].map((place) => place.keys);
    expect(new Set(keys).size).toBe(keys.length);
  });
});
