import { expect, it } from 'vitest';
import { Turns } from './turns.js';

/** Work that ends when it is told to. */
function held<Answer>(answer: Answer) {
  let end = (): void => undefined;
  const ended = new Promise<void>((resolve) => (end = resolve));
  return { end: () => end(), work: () => ended.then(() => answer) };
}

it('a page shows what was sent before it was asked for', async () => {
  const turns = new Turns();
  let kept = 'before';
  const write = held('after');
  const written = turns.take('writes', async () => (kept = await write.work()));
  const shown = turns.take('shows', () => Promise.resolve(kept));
  write.end();
  expect(await shown).toBe('after');
  await written;
});

it('what is sent after it does not hold it up, nor does what only asks', async () => {
  const turns = new Turns();
  const first = held('');
  const before = turns.take('writes', first.work);
  const shown = turns.take('shows', () => Promise.resolve('shown'));
  const second = held('');
  const after = turns.take('writes', second.work);
  expect(await turns.take('other', () => Promise.resolve('at once'))).toBe('at once');
  first.end();
  expect(await shown).toBe('shown');
  second.end();
  await Promise.all([before, after]);
});

it('one that fails, or takes too long, is not waited for', async () => {
  const turns = new Turns(20);
  await expect(turns.take('writes', () => Promise.reject(new Error('no')))).rejects.toThrow('no');
  const never = held('');
  void turns.take('writes', never.work);
  expect(await turns.take('shows', () => Promise.resolve('shown'))).toBe('shown');
});
