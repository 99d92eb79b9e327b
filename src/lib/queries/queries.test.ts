import { describe, expect, it } from 'vitest';
import { checkPattern, NO_HAND, placeAt } from '../../core/index.js';
import { triedIn } from '../../core/onRequest.js';
import { blocksOf, letterHtml, letterText } from '../letter.js';
import type { StoredPattern } from '../patterns.js';
import type { Query, QueryState } from '../queries.js';
import { draftAnswers } from './draftAnswers.js';
import { happened } from './history.js';
import { QueriesSession } from './queries.svelte.js';
import { QueryList } from './queryList.svelte.js';
import { queryOn } from './testing.js';

const BALL =
  'Ball\nRnd 1: 6 sc in MR (6)\nRnd 2: inc x 6 (13)\nRnd 3: (sc 1, inc) x 6 (18)\nRnd 4: (sc 2, inc) x 5 (24)\n\nEar\nRnd 1: 5 sc in MR (5)\n';

const query = (number: number, words: string, more: Partial<Query> = {}, text = BALL) =>
  queryOn(text, number, words, more);

const TWO = 'Rnd 2: inc x 6 (13)';
const FOUR = 'Rnd 4: (sc 2, inc) x 5 (24)';

/** A session on some queries, with a server that does what it is asked. */
async function sessionOn(queries: readonly Query[], { text = BALL, newest = 1, conflict = false } = {}) {
  const said: string[] = [];
  const kept: string[] = [];
  const list: QueryList = new QueryList('one', queries, {
    say: (words) => said.push(words),
    change: (_, number, change) => {
      const now = list.all.find((one) => one.number === number);
      if (!now) return Promise.reject(new Error('There is no such query.'));
      kept.push(`${number} ${change.state ?? 'words'}: ${change.said ?? ''}`);
      if (conflict) return Promise.resolve({ conflict: { ...now, text: 'Theirs', revision: 9 } });
      const { text: words = now.text, proposal = now.proposal, state = now.state, said: answer = '' } = change;
      const next = { ...now, text: words, proposal, state, revision: now.revision + 1 };
      return Promise.resolve({ query: state === 'answered' ? { ...next, answer } : next });
    },
    make: (_, { ref: _ref, at, ...made }) =>
      Promise.resolve({
        ...query(99, 'Rnd 3'),
        ...made,
        number: list.all.length + 1,
        place: at && placeAt(text, at.from, at.from + at.words.length),
      }),
  });
  const pattern: StoredPattern = { id: 'one', name: 'Ball', text, revision: 4, terms: 'auto', hand: NO_HAND };
  const session = new QueriesSession(pattern, list, newest, {
    say: (words) => said.push(words),
    save: (_, saved, base) => {
      kept.push(`text ${base}: ${saved.split('\n').find((line) => !text.includes(line)) ?? ''}`);
      return Promise.resolve({ revision: base + 1 });
    },
    putAside: (_, { rule, reason }) => Promise.resolve(void kept.push(`aside ${rule}: ${reason}`)),
  });
  let checked = '';
  session.begin(({ told }) => ({
    check: (about, name) => {
      checked = about;
      told(checkPattern(about, name).report, about, true);
    },
    tried: (at, figure) => Promise.resolve(triedIn(checked, at, figure)),
    close: () => undefined,
  }));
  await Promise.resolve();
  return { session, list, said, kept };
}

describe('the queries of a pattern', () => {
  const STATES: readonly QueryState[] = ['open', 'sent', 'answered', 'settled', 'withdrawn'];

  it('are shown by state and words, in the order of the text', async () => {
    const all = STATES.map((state, i) =>
      query(i + 1, i === 0 ? FOUR : TWO, { state, answer: i === 2 ? 'twelve' : '' }),
    );
    const { session } = await sessionOn(all);
    const shown = () => session.rows.map(({ number }) => number);
    expect(shown()).toEqual([2, 3, 1]);
    expect(session.counts).toMatchObject({ waiting: 3, all: 5, settled: 1, withdrawn: 1 });
    session.shown = 'all';
    expect(shown()).toEqual([2, 3, 4, 5, 1]);
    session.words = 'TWELVE';
    expect(shown()).toEqual([3]);
    session.words = '(sc 2';
    expect(shown()).toEqual([1]);
  });

  it('are walked, and the next one stands there when one is done with', async () => {
    const { session, said } = await sessionOn([query(1, TWO), query(2, FOUR)]);
    session.step(-1);
    expect(said).toEqual(['This is the first query.']);
    await session.become('withdrawn');
    expect(session.selected).toBe(2);
    await session.become('open');
    expect(said.at(-1)).toBe('It is so already.');
    await session.become('settled');
    expect(session.selected).toBeNull();
  });

  it('show what another window has made of one, and change nothing of it', async () => {
    const { session, list, said } = await sessionOn([query(1, TWO)], { conflict: true });
    await session.become('withdrawn');
    expect(list.all).toMatchObject([{ state: 'open', text: 'Theirs', revision: 9 }]);
    expect(said.at(-1)).toContain('changed in another window');
  });

  it('hold on to their words while the text is edited', async () => {
    const { list } = await sessionOn([query(1, TWO), query(2, 'nothing', { scope: 'pattern' })]);
    list.edited(BALL, `A pattern\n${BALL}`);
    expect(list.all.map(({ place }) => place?.from ?? null)).toEqual([BALL.indexOf(TWO) + 10, null]);
  });
});

describe('an answer', () => {
  it('that names a figure is tried out, and written by one key', async () => {
    const { session, kept } = await sessionOn([query(1, TWO, { state: 'answered', answer: 'yes, 12' })]);
    await expect.poll(() => session.tried?.words).toBe('Rnd 2: inc x 6 (12)');
    expect(session.tried).toMatchObject({ into: 6, made: 12, verdict: 'agrees' });
    await session.apply();
    expect(session.text).toContain('Rnd 2: inc x 6 (12)');
    expect(kept).toEqual(['text 4: Rnd 2: inc x 6 (12)', '1 settled: Applied: Rnd 2: inc x 6 (12)']);
  });

  it('that agrees is the proposal', async () => {
    const proposal = 'Rnd 4: (sc 2, inc) x 6 (24)';
    const { session } = await sessionOn([query(1, FOUR, { state: 'answered', answer: 'Yes!', proposal })]);
    expect(session.wouldBe).toBe(proposal);
    await session.apply();
    expect(session.text).toContain(proposal);
  });

  it('without a figure or a proposal has nothing to write', async () => {
    const { session, said } = await sessionOn([query(1, FOUR, { state: 'answered', answer: 'Hm.' })]);
    await session.apply();
    expect(said.at(-1)).toContain('nothing to apply');
  });

  it('that it is meant so puts the finding aside with that reason', async () => {
    const { session, kept } = await sessionOn([query(1, TWO, { state: 'answered', answer: 'Meant as is' })]);
    await session.settle();
    expect(kept).toEqual(['aside count/stated: Meant as it is: Meant as is', '1 settled: The finding is put aside.']);
  });

  it('comes out of a whole reply, and what belongs to none is put there by hand', async () => {
    const { session, list } = await sessionOn([query(1, TWO, { state: 'sent' }), query(2, FOUR, { state: 'sent' })]);
    session.reply = 'Hello\n1. yes, 12\nThanks\n';
    session.split();
    expect(session.pieces).toMatchObject([{ numbers: [1], text: 'yes, 12', says: 'agrees', figure: 12 }]);
    await session.takeAll();
    expect(session.left).toEqual(['Hello', 'Thanks']);
    await session.assign(1, 2);
    expect(list.all.map(({ state, answer }) => `${state} ${answer}`)).toEqual(['answered yes, 12', 'answered Thanks']);
    expect(session.left).toEqual(['Hello']);
  });
});

describe('a new draft', () => {
  const next = BALL.replace('(13)', '(12)').replace('x 5 (24)', 'x 4 (24)');
  const moved = (one: Query, words: string, holds = false): Query => {
    const from = next.indexOf(words);
    return { ...one, place: { from, to: from + words.length, words: one.place?.words ?? '', holds } };
  };
  const queries = [
    moved(query(1, TWO), 'Rnd 2: inc x 6 (12)'),
    moved(query(2, FOUR, { rule: 'count/under' }), 'Rnd 4: (sc 2, inc) x 4 (24)'),
    moved(query(3, 'Rnd 3: (sc 1, inc) x 6 (18)'), 'Rnd 3: (sc 1, inc) x 6 (18)', true),
    moved(query(4, 'Ear', { rule: '' }), 'Ear'),
    query(5, TWO, { draft: 2 }, BALL),
  ];

  it('mends a query, leaves it off, or does not touch it', () => {
    const { report } = checkPattern(next, '');
    expect(draftAnswers(queries, 2, next, report).map(({ query: { number }, says }) => [number, says])).toEqual([
      [1, 'mended'],
      [2, 'still'],
      [3, 'untouched'],
      [4, 'altered'],
    ]);
  });

  it('settles what it mends and sends back what is still off, all at once', async () => {
    const { session, list, kept } = await sessionOn(queries, { text: next, newest: 2 });
    await session.acceptAll();
    expect(list.all.map(({ state }) => state)).toEqual(['settled', 'open', 'open', 'open', 'open']);
    expect(kept[0]).toBe('1 settled: Now reads: Rnd 2: inc x 6 (12)');
    expect(kept[1]).toContain('2 open: Still off in draft 2: ');
  });
});

describe('a letter', () => {
  const many = Array.from({ length: 200 }, (_, i) =>
    query(i + 1, i % 2 === 0 ? TWO : 'Rnd 1: 5 sc', { part: i % 2 === 0 ? 'Ball' : 'Ear' }),
  );
  const blocks = blocksOf({
    pattern: 'Ball <b>',
    designer: '',
    editor: 'Oda',
    opening: 'Dear {designer},\n\nof {pattern}',
    closing: 'Yours',
    queries: many,
  });

  it('of 200 queries stands by part, each query once', () => {
    expect(blocks.filter(({ kind }) => kind === 'part').map((block) => ('text' in block ? block.text : ''))).toEqual([
      'Ball',
      'Ear',
    ]);
    const text = letterText(blocks);
    for (const { number } of many) expect(text.match(new RegExp(`^${number}\\. `, 'gm'))).toHaveLength(1);
    expect(text.startsWith('Dear designer,\n\nof Ball <b>')).toBe(true);
  });

  it('is a page in which nothing of the pattern is taken for its markup', () => {
    expect(letterHtml(blocks, 'A & B')).toContain('of Ball &lt;b&gt;');
    expect(letterHtml(blocks, 'A & B')).toContain('<title>A & B</title>'.replace('&', '&amp;'));
  });
});

it('the history tells drafts, letters, queries and answers in order, and a letter once', () => {
  const events = [
    { query: 1, what: 'made', who: 'Oda', said: '', at: 20 },
    { query: null, what: 'letter', who: 'Oda', said: '1', at: 30 },
    { query: 1, what: 'sent', who: 'Oda', said: '', at: 30 },
    { query: 1, what: 'answered', who: 'Ida', said: 'Yes', at: 40 },
  ];
  const drafts = [
    { number: 1, file: 'ball.docx', kind: 'Word document', size: 1, notes: [], left: [], sender: 'Ida', at: 10 },
  ];
  const letters = [
    { id: 7, to: 'ida@example.org', subject: 'Queries', queries: [1], text: '', way: 'outbox' as const, at: 30 },
  ];
  const signed = { query: null, what: 'released', who: 'Oda', said: '1.0', at: 99 };
  const released = happened({ id: 'one', drafts: [], letters: [], events: [signed], queries: [] });
  expect(released).toEqual([{ at: 99, what: 'Version 1.0 was signed', who: 'Oda', said: '', href: '/release/one' }]);
  const told = happened({ id: 'one', drafts, letters, events, queries: [query(1, TWO)] });
  expect(told.map(({ what, who, said }) => [what, who, said])).toEqual([
    ['Draft 1 came, “ball.docx” (Word document)', 'Ida', ''],
    ['Query 1 (Ball, Rnd 2) asked', 'Oda', `What of ${TWO}?`],
    ['Letter with 1 query to ida@example.org', '', ''],
    ['Query 1 (Ball, Rnd 2) answered', 'Ida', 'Yes'],
  ]);
});
