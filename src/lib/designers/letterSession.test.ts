import { describe, expect, it, vi } from 'vitest';
import { Trouble } from '../client.js';
import type { AskedQuery, DesignerLetter } from '../designerLetter.js';
import type { answerQuery } from './asking.js';
import { LetterSession } from './letterSession.svelte.js';

const query = (number: number, more: Partial<AskedQuery> = {}): AskedQuery => ({
  number,
  revision: 2,
  state: 'sent',
  part: 'Ball',
  round: `Rnd ${number}`,
  words: '',
  text: 'Is it so?',
  proposal: '',
  answer: '',
  ...more,
});
const letter = (...queries: AskedQuery[]): DesignerLetter => ({ pattern: 'Ball', opening: [], closing: [], queries });

/** What a browser keeps, as a plain map. */
function keeping(words: Record<string, string> = {}) {
  const all = new Map(Object.entries(words));
  return {
    all,
    getItem: (key: string) => all.get(key) ?? null,
    setItem: (key: string, value: string) => void all.set(key, value),
    removeItem: (key: string) => void all.delete(key),
  };
}

const KEY = 'dostik.answer /api/letter/secret 1';

describe('a letter that is answered', () => {
  it('keeps what is written until it has arrived, and then no longer', async () => {
    const kept = keeping();
    const answer = vi.fn<typeof answerQuery>((_, asked, words) =>
      Promise.resolve({ query: { ...asked, state: 'answered', answer: words, revision: 3 } }),
    );
    const session = new LetterSession(letter(query(1), query(2)), '/api/letter/secret', kept, answer);
    expect(session.waiting).toBe(2);
    const [first] = session.open;
    session.write(1, ' Yes, twelve. ');
    expect(kept.all.get(KEY)).toBe(' Yes, twelve. ');
    if (first) await session.send(first, ' Yes, twelve. ');
    expect(answer).toHaveBeenCalledWith('/api/letter/secret', first, 'Yes, twelve.');
    expect([session.waiting, session.open[0]?.answer, session.written.has(1), kept.all.size]).toEqual([
      1,
      'Yes, twelve.',
      false,
      0,
    ]);
    expect(session.told.get(1)?.kind).toBe('sent');
  });

  it('has the words still where they did not go through, and after a reload', async () => {
    const kept = keeping();
    const down = () => Promise.reject(new Trouble('The server does not answer.', true));
    const session = new LetterSession(letter(query(1)), '/api/letter/secret', kept, down);
    await session.send(query(1), 'Twelve.');
    expect(session.told.get(1)).toMatchObject({ kind: 'trouble' });
    expect(session.told.get(1)?.words).toContain('The server does not answer.');
    expect(session.sending).toBeNull();
    const later = new LetterSession(letter(query(1)), '/api/letter/secret', kept);
    expect(later.written.get(1)).toBe('Twelve.');
  });

  it('shows a query that was worded anew meanwhile, and the words that were written to it', async () => {
    const anew = query(1, { text: 'How many, in round 1?', revision: 5 });
    const answer = vi.fn<typeof answerQuery>(() => Promise.resolve({ conflict: anew }));
    const session = new LetterSession(letter(query(1)), '/api/letter/secret', keeping(), answer);
    await session.send(query(1), 'Twelve.');
    expect(session.open).toEqual([anew]);
    expect([session.written.get(1), session.told.get(1)?.kind]).toEqual(['Twelve.', 'changed']);
  });

  it('sends nothing that is empty, and one answer at a time', async () => {
    const answer = vi.fn<typeof answerQuery>(() => new Promise(() => undefined));
    const session = new LetterSession(letter(query(1), query(2)), '/api/letter/secret', null, answer);
    await session.send(query(1), '   ');
    expect(answer).not.toHaveBeenCalled();
    void session.send(query(1), 'Yes.');
    void session.send(query(2), 'No.');
    expect(answer).toHaveBeenCalledTimes(1);
  });

  it('lets an answer be changed until it is settled, or left as it was', () => {
    const answered = query(1, { state: 'answered', answer: 'Twelve.' });
    const session = new LetterSession(letter(answered, query(2, { state: 'settled' })), '/x', keeping());
    expect([session.open.length, session.settled.length, session.written.size]).toEqual([1, 1, 0]);
    session.change(answered);
    expect(session.written.get(1)).toBe('Twelve.');
    session.leave(answered);
    expect(session.written.has(1)).toBe(false);
  });
});
