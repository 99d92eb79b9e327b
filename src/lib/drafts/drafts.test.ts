import { describe, expect, it } from 'vitest';
import { NO_HAND } from '../../core/index.js';
import { compareDrafts, compareTexts, findingsBetween } from '../../core/onRequest.js';
import type { DraftText } from '../drafts.js';
import type { StoredPattern } from '../patterns.js';
import { GaveUp, Unfetched } from '../workers/watched.js';
import { DraftsSession } from './drafts.svelte.js';
import { ownChanges } from './ownChanges.js';

const FIRST =
  'Ball\nMade with care.\nRnd 1: 6 sc in MR (6)\nRnd 2: inc x 6 (12)\nRnd 3: (sc 1, inc) x 6 (19)\nRnd 4: sc around (18)\n';
const SECOND = FIRST.replace('(19)', '(18)').replace(
  'Rnd 4: sc around (18)',
  'Rnd 4: sc in each st around (18)\nRnd 5: (sc 1, dec) x 6 (12)',
);

/** A session on drafts, with what it asks of the server. */
async function sessionOn(drafts: readonly DraftText[], text = drafts.at(-1)?.text ?? '') {
  const asked: string[] = [];
  const said: string[] = [];
  const pattern: StoredPattern = { id: 'one', name: 'Ball', text, revision: 3, terms: 'auto', hand: NO_HAND };
  const session = new DraftsSession(pattern, drafts, [], {
    say: (words) => said.push(words),
    save: (_, saved, base) => {
      asked.push(`save ${base}: ${saved}`);
      return Promise.resolve({ revision: base + 1 });
    },
    own: (_, draft, { taken }) => Promise.resolve(void asked.push(`draft ${draft}: ${taken}`)),
    query: (_, made) => {
      asked.push(`query: ${made.at?.words ?? ''} > ${made.proposal}`);
      return Promise.reject(new Error('Not looked at.'));
    },
  });
  await session.begin({
    compare: ({ before, after }) => {
      const compared = compareDrafts({ text: before }, { text: after });
      const findings = findingsBetween(compared.comparison, compared.before, compared.after);
      return Promise.resolve({
        comparison: compared.comparison,
        before: compared.before.report,
        after: compared.after.report,
        findings,
      });
    },
    close: () => undefined,
  });
  return { session, asked, said };
}

const draft = (number: number, text: string, worked: string | null = null): DraftText => ({ number, text, worked });

describe('two drafts', () => {
  it('are told in a sentence, and walked by what has changed', async () => {
    const { session, said } = await sessionOn([draft(1, FIRST), draft(2, SECOND)]);
    expect([session.before, session.after]).toEqual([1, 2]);
    expect(session.sentence).toBe('3 rounds changed, none of them in their stitches; 1 finding is gone.');
    session.step(1);
    expect(session.rows[session.selected ?? -1]?.after).toContain('(18)');
    expect(session.line).toBe(5);
    session.step(1);
    session.step(1);
    expect(session.rows[session.selected ?? -1]?.entry.change).toBe('new');
    session.step(1);
    expect(said).toEqual(['This is the last change.']);
    expect(session.shown.map(({ entry }) => entry.change)).toEqual(['same', 'words', 'words', 'new']);
  });

  it('are one and the Desk where there is only one', async () => {
    const { session } = await sessionOn([draft(1, FIRST)], FIRST.replace('Ball', 'Big ball'));
    expect([session.before, session.after]).toEqual([1, 0]);
    expect(session.sentence).toBe('No round has changed, but 1 other line has.');
    expect(session.parts).toEqual(['Ball is called Big ball']);
    await session.choose(1, 1);
    expect(session.sentence).toBe('Nothing has changed.');
    const other = await sessionOn([draft(1, FIRST)], FIRST.replace('(19)', '(18)'));
    expect(other.session.sentence).toBe('1 round changed, not in its stitches; 1 finding is gone.');
  });
});

describe('drafts that can’t be compared', () => {
  it.each([
    ['given up', (): Error => new GaveUp(), /These two texts are too much to compare at once/],
    ['without its code', (): Error => new Unfetched('offline'), /could not be fetched.*once there is a connection/],
    ['a fault', (): Error => new Error('a fault'), /by a fault of Dostik/],
  ])('%s', async (_, error, words) => {
    const { session } = await sessionOn([draft(1, FIRST), draft(2, SECOND)]);
    await session.begin({ compare: () => Promise.reject(error()), close: () => undefined });
    expect(session.compared).toBeNull();
    expect(session.trouble).toMatch(words);
  });
});

describe('what the editor had changed in the draft before', () => {
  const mine = FIRST.replace('Made with care.', 'Made with great care.')
    .replace('(19)', '(18)')
    .replace('Rnd 2: inc x 6 (12)', 'Rnd 2: 2 sc in each st (12)');
  const own = () =>
    ownChanges(
      { base: FIRST, mine, theirs: SECOND },
      compareTexts({ text: FIRST }, { text: mine }),
      compareTexts({ text: FIRST }, { text: SECOND }),
    );

  it('is told where the next draft has not taken it over', () => {
    expect(own().map(({ was, mine: words, theirs }) => [was, words, theirs])).toEqual([
      ['Made with care.', 'Made with great care.', 'Made with care.'],
      ['Rnd 2: inc x 6 (12)', 'Rnd 2: 2 sc in each st (12)', 'Rnd 2: inc x 6 (12)'],
    ]);
  });

  it('goes into the new draft, stays out, or is asked about; nothing of it is lost', async () => {
    const { session, asked, said } = await sessionOn([draft(1, FIRST, mine), draft(2, SECOND)]);
    const [line, round] = session.own;
    if (!line || !round) throw new Error('There are two.');
    await session.take(line, 'mine');
    expect(session.text).toBe(SECOND.replace('with care', 'with great care'));
    await session.take(round, 'query');
    expect(said.at(-1)).toContain('could not be kept');
    // What could not be kept is still to be decided.
    expect(session.own).toEqual([round]);
    await session.take(round, 'theirs');
    expect(session.own).toEqual([]);
    expect(asked.map((one) => one.split('\n')[0])).toEqual([
      'save 3: Ball',
      'draft 2: mine',
      'query: Rnd 2: inc x 6 (12) > Rnd 2: 2 sc in each st (12)',
      'draft 2: theirs',
    ]);
  });

  it('may be a line that was put in, or one that was taken out', async () => {
    const put = FIRST.replace('Rnd 2: inc', 'Stuff lightly here.\nRnd 2: inc').replace('Made with care.\n', '');
    const { session } = await sessionOn([draft(1, FIRST, put), draft(2, SECOND)]);
    for (const change of [...session.own]) await session.take(change, 'mine');
    expect(session.text).toBe(
      SECOND.replace('Rnd 2: inc', 'Stuff lightly here.\nRnd 2: inc').replace('Made with care.\n', ''),
    );
  });
});
