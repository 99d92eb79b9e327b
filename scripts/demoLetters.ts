/** The correspondence of the demo: queries on the tugboat, the letter with them, and what the designer has answered. */
import { checkPattern } from '../src/core/index.js';
import { queryIn } from '../src/core/onRequest.js';
import { USUAL_LETTER } from '../src/lib/letter.js';
import type { LetterStore } from '../src/lib/server/letters.js';
import type { PatternStore } from '../src/lib/server/patterns.js';
import type { QueryStore } from '../src/lib/server/queries.js';

interface Kept {
  readonly patterns: PatternStore;
  readonly queries: QueryStore;
  readonly letters: LetterStore;
}

/** Writes to the designer of a pattern: a query for each error, one in words of one's own, and an answer to the first. */
export async function correspond(id: string, { patterns, queries, letters }: Kept): Promise<void> {
  const pattern = await patterns.get(id);
  if (!pattern) return;
  const { text } = pattern;
  const checked = checkPattern(text, '');
  await letters.setSettings({ ...USUAL_LETTER, editor: 'Oda Marram', mail: 'oda@marram-tide.example' });
  await letters.setDesigner(id, { designer: 'Jonne Tide', designerMail: 'jonne@marram-tide.example' });
  for (const { key, rule, severity } of checked.report.findings) {
    const proposed = severity === 'error' ? queryIn(text, key) : null;
    if (!proposed?.at) continue;
    const { at, ...query } = proposed;
    const words = text.slice(at.from, at.to);
    await queries.make(id, { ...query, at: { from: at.from, words }, rule, finding: key, ref: `demo-${key}` });
  }
  await letters.send(id, {
    numbers: [1, 2],
    opening: USUAL_LETTER.opening,
    closing: USUAL_LETTER.closing,
    way: 'post',
  });
  const [first] = await queries.of(id);
  if (first)
    await queries.change(id, first.number, { base: first.revision, state: 'answered', said: 'Yes, that is round 9.' });
  await queries.make(id, {
    ref: 'demo-words',
    scope: 'pattern',
    at: null,
    part: '',
    round: '',
    text: 'How long is the boat when it is stuffed? The page of the list says 14 cm.',
    proposal: '',
    rule: '',
    finding: '',
  });
}
