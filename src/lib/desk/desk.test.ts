import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { DeskSession } from './desk.svelte.js';
import { QueryList } from '../queries/queryList.svelte.js';
import { deskOn, memoryStorage, PaperEditor } from './testing.js';

const NO_QUERIES = () => new QueryList('one', [], { say: () => undefined });

const FRONT = 'Limpet\n\nMaterials\nCotton: Sand 20 g, Rust 5 g\n3 mm hook\n\nsc = single crochet\nUS terms\n\n';
const SHELL =
  'SHELL\nWith Sand.\nRnd 1: 6 sc in MR (6)\nRnd 2: inc x 6 (12)\nRnd 3: (sc 1, inc) x 6 (18)\nFasten off.\n\n';
const FOOT = 'FOOT (make 2)\nWith Rust.\nRnd 1: 5 sc in MR (5)\nRnd 2: inc x 5 (10)\nFasten off.\n\n';
const LIMPET = `${FRONT}${SHELL}${FOOT}ASSEMBLY\nSew the feet to the shell.\n`;
const lineOf = (words: string, text = LIMPET) => text.split('\n').findIndex((line) => line.includes(words)) + 1;
/** What was asked of the check is answered, and the panels follow the rail. */
const settled = () => vi.advanceTimersByTimeAsync(200);

beforeEach(() => {
  vi.useFakeTimers();
  vi.stubGlobal('localStorage', memoryStorage());
  vi.stubGlobal(
    'fetch',
    vi.fn(() => Promise.resolve(new Response('{}'))),
  );
});
afterEach(() => {
  vi.unstubAllGlobals();
  vi.useRealTimers();
});

const at = (line: number) => ({ line, column: 1, endLine: line, endColumn: 1 });

describe('a Desk opens', () => {
  it('at the first round of a text that comes out, with what stands before it unfolded', async () => {
    const { desk, editor } = deskOn(LIMPET);
    await settled();
    expect(desk.spot.line).toBe(lineOf('Rnd 1: 6 sc'));
    expect(editor.folded).toEqual([]);
    expect(desk.at).toMatchObject({ kind: 'round', placed: { index: 0 } });
    expect(desk.account?.sentence).toContain('6 single crochet in the ring');
  });

  it('at the first error, else at the first warning', async () => {
    const wrong = LIMPET.replace('(18)', '(19)').replace('(make 2)', '');
    const { desk } = deskOn(wrong);
    await settled();
    expect(desk.findings.some(({ severity }) => severity === 'error')).toBe(true);
    expect(desk.spot.line).toBe(lineOf('(19)', wrong));
    const warned = LIMPET.replace('Rust 5 g', 'Moss 5 g');
    const other = deskOn(warned).desk;
    await settled();
    const [first] = other.findings.filter(({ severity }) => severity === 'warning');
    expect(first).toBeDefined();
    expect(other.spot.line).toBe(first?.line);
  });

  it('where one left it, though a line has come before it, with the front folded at once', async () => {
    const first = deskOn(LIMPET);
    await settled();
    first.desk.toLine(lineOf('Rnd 2: inc x 5'));
    first.desk.end();
    const longer = LIMPET.replace('Rnd 3:', 'Now widen it.\nRnd 3:');
    const { desk, editor } = deskOn(longer);
    expect(desk.spot.line).toBe(lineOf('Rnd 2: inc x 5', longer));
    await settled();
    expect(desk.spot.line).toBe(lineOf('Rnd 2: inc x 5', longer));
    expect(editor.folded).toEqual([{ line: 1, endLine: lineOf('US terms', longer) }]);
  });

  it.each([
    ['a person has gone somewhere', (desk: DeskSession) => desk.goTo(at(2)), 2],
    ['a person has set the caret', (desk: DeskSession) => desk.moved({ line: 3, column: 1 }, 8, true), 3],
    ['something was written', (desk: DeskSession) => desk.changed(`${LIMPET} `), 1],
    ['a kept text has come back', (desk: DeskSession) => desk.bringBack(LIMPET), lineOf('Rnd 1: 6 sc')],
    [
      'the caret was set by the editor',
      (desk: DeskSession) => desk.moved({ line: 3, column: 1 }, 8),
      lineOf('Rnd 1: 6 sc'),
    ],
  ] as const)('where %s before the first report', (_, act, line) => {
    const pattern = { id: 'one', name: 'One', text: LIMPET, revision: 1, terms: 'auto', hand: { words: {} } } as const;
    const desk = new DeskSession(pattern, { ticks: [], dismissals: [], rules: {} }, NO_QUERIES());
    const editor = new PaperEditor();
    editor.attach(desk);
    let tell: () => void = () => undefined;
    desk.begin(editor, (listener) => {
      const { desk: told } = deskOn(LIMPET);
      const { report } = told;
      if (!report) throw new Error('There is a report.');
      tell = () => listener.told(report, LIMPET, true);
      return {
        check: () => undefined,
        overview: () => Promise.resolve(null),
        account: () => Promise.resolve(null),
        close: () => undefined,
      } as never;
    });
    act(desk);
    tell();
    expect(desk.spot.line).toBe(line);
  });
});

describe('what the caret is at', () => {
  const at = async (words: string) => {
    const { desk } = deskOn(LIMPET);
    await settled();
    desk.toLine(lineOf(words));
    await settled();
    return desk.at;
  };

  it.each([
    ['Rnd 2: inc x 6', { kind: 'round', placed: { index: 1, part: { name: 'Shell' } } }],
    ['SHELL', { kind: 'part', index: 0, part: { first: 6, most: 18, last: 18, stitches: 36 } }],
    ['FOOT', { kind: 'part', index: 1, part: { make: 2, rounds: 2, stitches: 15 } }],
    ['With Rust.', { kind: 'part', index: 1 }],
    ['Materials', { kind: 'whole', section: 'materials' }],
    ['3 mm hook', { kind: 'whole', section: 'materials' }],
    ['ASSEMBLY', { kind: 'whole', section: 'assembly' }],
    ['Limpet', { kind: 'whole', section: null }],
  ])('%s', async (words, what) => {
    expect(await at(words)).toMatchObject(what);
  });

  it('is nothing as long as nothing was checked', () => {
    const pattern = { id: 'one', name: '', text: LIMPET, revision: 1, terms: 'auto', hand: { words: {} } } as const;
    expect(new DeskSession(pattern, { ticks: [], dismissals: [], rules: {} }, NO_QUERIES()).at).toEqual({
      kind: 'nothing',
    });
  });

  it('between rounds the round before is the one that is asked about', async () => {
    const { desk } = deskOn(LIMPET);
    await settled();
    desk.toLine(lineOf('Fasten off.'));
    expect(desk.here).toBeNull();
    expect(desk.round?.round.label).toBe('Rnd 3');
    desk.toLine(1);
    expect(desk.round?.round.label).toBe('Rnd 1');
  });
});

describe('a change of the text', () => {
  it('is checked, shown in the rail at once, and in the panels a moment later', async () => {
    const { desk, editor } = deskOn(LIMPET);
    await settled();
    const { report } = desk;
    desk.changed(LIMPET.replace('(18)', '(17)'));
    expect(editor.shown).not.toBe(report);
    expect(editor.marks).toHaveLength(1);
    expect(desk.report).toBe(report);
    await settled();
    expect(desk.findings).toHaveLength(1);
    expect(desk.checked).toContain('(17)');
  });

  it('takes no mark of a text that is no longer there, and applies no fix of it', async () => {
    const wrong = LIMPET.replace('(18)', '(19)');
    const { desk, editor } = deskOn(wrong);
    await settled();
    const fix = desk.findings[0]?.fixes[0];
    if (!fix) throw new Error('There is a fix.');
    desk.light({ from: 1, to: 2 });
    expect(editor.lit).toEqual({ from: 1, to: 2 });
    desk.text = `${wrong}more`;
    desk.light(null);
    expect(editor.lit).toEqual({ from: 1, to: 2 });
    expect(desk.apply(fix)).toBe(false);
    desk.text = wrong;
    expect(desk.apply(fix)).toBe(true);
    await settled();
    expect(desk.findings).toEqual([]);
  });

  it('shows how a round read before the last sitting, where it read otherwise', async () => {
    const { desk } = deskOn(LIMPET);
    await settled();
    await desk.compareWith(LIMPET.replace('Rnd 2: inc x 6 (12)', 'Rnd 2: 2 sc in each st (12)'));
    const [first, second] = desk.rounds;
    if (!first || !second) throw new Error('There are rounds.');
    expect(desk.wordsBefore(first)).toBeNull();
    expect(desk.wordsBefore(second)).toBe('Rnd 2: 2 sc in each st (12)');
  });
});

describe('what a person notes', () => {
  it('is shown in the rail, and a finding that is put aside is marked no more', async () => {
    const { desk, editor } = deskOn(LIMPET.replace('(18)', '(19)'));
    await settled();
    const [round] = desk.rounds;
    const [finding] = desk.findings;
    if (!round || !finding) throw new Error('There is a round, and a finding.');
    await desk.notes.tick(round.round.key, true);
    expect([...editor.ticks]).toEqual([round.round.key]);
    await desk.notes.putAside(finding, 'It is meant so');
    expect(editor.marks).toEqual([]);
    expect(desk.findings).toEqual([]);
    await desk.notes.putAside(finding, null);
    expect(editor.marks).toEqual([finding]);
  });

  it('is taken back where the server does not keep it', async () => {
    const { desk, editor } = deskOn(LIMPET);
    await settled();
    vi.stubGlobal('fetch', () => Promise.reject(new TypeError('no network')));
    const key = desk.rounds[0]?.round.key ?? '';
    const kept = desk.notes.tick(key, true);
    expect(editor.ticks.has(key)).toBe(true);
    expect(desk.notes.saving).toBe(true);
    await kept;
    expect(desk.notes.saving).toBe(false);
    expect(editor.ticks.has(key)).toBe(false);
    expect(desk.notes.ticks.size).toBe(0);
  });

  it('counts all rounds anew with what a word means', async () => {
    const text = 'Pot\nUS terms\n\nRnd 1: 6 sc in MR (6)\nRnd 2: 6 frobs (12)\n';
    const { desk, checks } = deskOn(text);
    await settled();
    expect(desk.rounds.map(({ round }) => round.verdict)).toEqual(['agrees', 'unreadable']);
    await desk.notes.mean('frob', 'increase');
    await settled();
    expect(desk.rounds.map(({ round }) => round.verdict)).toEqual(['agrees', 'agrees']);
    expect(checks).toEqual([text, text]);
  });

  it('begins with what was noted before', async () => {
    const key = deskOn(LIMPET).desk.rounds[1]?.round.key ?? '';
    const { desk, editor } = deskOn(LIMPET, { notes: { ticks: [key] } });
    await settled();
    expect([...editor.ticks]).toEqual([key]);
    expect(desk.notes.ticks.has(key)).toBe(true);
  });
});

it('findings of a round are those that are said of it, and the one at the caret is the current one', async () => {
  const { desk } = deskOn(LIMPET.replace('(18)', '(19)'));
  await settled();
  const [, , third] = desk.rounds;
  if (!third) throw new Error('There is a third round.');
  expect(desk.findingsOf(third).map(({ rule }) => rule)).toEqual(['count/stated']);
  expect(desk.current?.rule).toBe('count/stated');
  desk.toLine(1);
  expect(desk.current).toBeNull();
});
