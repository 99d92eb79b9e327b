import { beforeEach, describe, expect, it } from 'vitest';
import { page, userEvent } from 'vitest/browser';
import { render } from 'vitest-browser-svelte';
import '../styles/tokens.css';
import '../styles/base.css';
import { BenchSession } from './bench.svelte.js';
import CountSheet from './CountSheet.svelte';
import { practiceScale } from './devices.js';
import FiguresSheet from './FiguresSheet.svelte';
import MoreSheet from './MoreSheet.svelte';
import NoteSheet from './NoteSheet.svelte';
import PracticeDevices from './PracticeDevices.svelte';
import PartsSheet from './PartsSheet.svelte';
import RoundWords from './RoundWords.svelte';
import StepsSheet from './StepsSheet.svelte';
import { CALL, Server } from './testing.js';

let session: BenchSession;

beforeEach(async () => {
  await page.viewport(390, 800);
  session = new BenchSession({ secret: 'secret', token: 'token', keep: null, post: new Server() });
  await session.begin();
  expect(session.state).toBe('work');
});

const button = (name: string | RegExp, exact = true) => page.getByRole('button', { name, exact });
const worked = () => session.progress?.share.done;
const roundOf = (ring: number) => session.progress?.round({ part: 0, copy: 0, ring });

describe('what is on the hook', () => {
  it('ends the round at once where it is what the round makes', async () => {
    render(CountSheet, { session });
    await expect.element(page.getByText('This round makes 6.')).toBeVisible();
    await button('6, as it should be').click();
    expect(roundOf(0)).toMatchObject({ done: true, counted: 6 });
  });

  it('is asked after where it is another, and what was decided is noted', async () => {
    session.touch();
    session.endRound(null);
    render(CountSheet, { session });
    await userEvent.keyboard('113{Backspace}');
    await expect.element(page.getByText('1 too few')).toBeVisible();
    await button('Done').click();
    await expect.element(button(/I do that, and go on/, false).first()).toBeVisible();
    await button('Go on as it is').click();
    expect(roundOf(1)).toMatchObject({ done: true, counted: 11 });
    expect(session.progress?.hooks).toMatchObject([{ counted: 11, made: 12, decided: 'Went on as it is.' }]);
  });

  it('no single slip explains is said, and the round is worked again', async () => {
    render(CountSheet, { session });
    for (const key of ['9', '9']) await button(key).click();
    await button('Done').click();
    await expect.element(page.getByText('No single slip explains 99.', { exact: false })).toBeVisible();
    await button('Count once more').click();
    await expect.element(page.getByLabelText('Counted')).toHaveTextContent('99');
    await button('Delete').click();
    await button('Done').click();
    await button('Work this round again').click();
    expect(roundOf(0)?.done ?? false).toBe(false);
    expect(session.progress?.hooks).toMatchObject([{ counted: 9 }]);
  });
});

describe('a note', () => {
  it('is two touches, and goes with its words', async () => {
    render(NoteSheet, { session });
    await userEvent.fill(page.getByLabelText('Words'), '  Which loop? ');
    await button('Unclear').click();
    await expect.poll(() => session.progress?.notes).toMatchObject([{ note: 'unclear', words: 'Which loop?' }]);
    expect(session.sheet).toBeNull();
  });

  it('takes no file that is no photograph, and says so', async () => {
    render(NoteSheet, { session });
    const field = page.getByLabelText(/^Photograph/);
    await userEvent.upload(field, new File(['no picture'], 'list.png', { type: 'image/png' }));
    await expect.element(page.getByRole('alert')).toHaveTextContent('list.png is no photograph');
  });

  it('shows its photographs before it is kept', async () => {
    render(NoteSheet, { session });
    const canvas = new OffscreenCanvas(40, 30);
    canvas.getContext('2d')?.fillRect(0, 0, 40, 30);
    const file = new File([await canvas.convertToBlob()], 'toy.png', { type: 'image/png' });
    await userEvent.upload(page.getByLabelText(/^Photograph/), file);
    await expect.element(page.getByAltText('Photograph 1 of this note')).toBeVisible();
    await button('Gap or hole').click();
    await expect.poll(() => session.progress?.notes[0]?.photographs).toHaveLength(1);
  });
});

describe('what was weighed and measured', () => {
  it('is typed, with a comma or a point; nothing left is a figure, a word is none', async () => {
    render(FiguresSheet, { session, call: CALL });
    await userEvent.fill(page.getByLabelText('Yarn before'), '48,5');
    await userEvent.fill(page.getByLabelText('Yarn after'), '0');
    await userEvent.fill(page.getByLabelText('Ball, height'), 'tall');
    await userEvent.fill(page.getByLabelText('The toy, width'), '0');
    await userEvent.fill(page.getByLabelText('Stitches to 10 cm'), '22');
    await userEvent.tab();
    expect(session.progress?.weighed.get('Yarn')).toEqual({ before: 48.5, after: 0 });
    expect(session.progress?.swatch).toEqual({ stitches: 22, rows: null });
    expect(session.progress?.sizes.size).toBe(0);
    await expect.element(page.getByLabelText('Ball, height')).toHaveAttribute('aria-invalid', 'true');
    await expect.element(page.getByLabelText('The toy, width')).toHaveAttribute('aria-invalid', 'true');
  });

  it('is taken over from a scale by a touch; one that does not answer is said to', async () => {
    const { unmount } = await render(FiguresSheet, { session, call: CALL });
    await button(practiceScale.name).click();
    await expect.element(page.getByRole('alert')).toHaveTextContent('open /bench/devices in another window');
    await unmount();
    render(PracticeDevices);
    await page.getByLabelText('What lies on it').fill('31.5');
    render(FiguresSheet, { session, call: CALL });
    await button(practiceScale.name).click();
    await button('Yarn before: 31.5').click();
    expect(session.progress?.weighed.get('Yarn')?.before).toBe(31.5);
    await expect.element(page.getByRole('alert')).not.toBeInTheDocument();
  });

  it('ends with how hard it was, and with thanks', async () => {
    render(FiguresSheet, { session, call: CALL });
    await button('quite hard').click();
    await userEvent.fill(page.getByLabelText('Anything else for the editor?'), 'Lovely.');
    await button('I have finished').click();
    expect(session.progress).toMatchObject({ difficulty: 4, finished: { words: 'Lovely.' } });
    await expect.element(page.getByText('Thank you!', { exact: false })).toBeVisible();
  });
});

describe('what was done', () => {
  it('is taken back step by step, whichever it was; what was done since stays', async () => {
    session.endRound(7);
    session.note({ kind: 'note', spot: session.at, note: 'hard', words: 'tight', photographs: [] });
    session.endRound(null);
    session.touch();
    session.touch();
    render(StepsSheet, { session, call: CALL });
    const rows = page.getByRole('listitem');
    expect(rows.elements().map((row) => row.querySelector('p')?.innerText.split('\n').slice(0, 2))).toEqual([
      ['Ball, Round 3 of 3 to 5', 'worked as far as touch 2'],
      ['Ball, Rnd 2', 'done'],
      ['Ball, Rnd 2', 'note: hard to work, tight'],
      ['Ball, Rnd 1', 'done, counted 7'],
    ]);
    await button('Take back: Ball, Rnd 1 done, counted 7').click();
    await expect.element(page.getByText('done, counted 7')).not.toBeInTheDocument();
    expect([roundOf(0)?.done, roundOf(1)?.done, roundOf(2)?.touches]).toEqual([false, true, 2]);
    await button('Take back: Ball, Rnd 2 note: hard to work, tight').click();
    expect(session.progress?.notes).toEqual([]);
  });

  it('is nothing at first, and of very much the last is shown', async () => {
    const { unmount } = await render(StepsSheet, { session, call: CALL });
    await expect.element(page.getByText('Nothing yet.')).toBeVisible();
    await unmount();
    for (let of = 0; of < 70; of += 1) session.note({ kind: 'difficulty', of: 1 + (of % 5) });
    render(StepsSheet, { session, call: CALL });
    expect(page.getByRole('listitem').elements()).toHaveLength(60);
    await button('Show 10 earlier ones').click();
    expect(page.getByRole('listitem').elements()).toHaveLength(70);
  });
});

describe('the parts and all the rest', () => {
  it('show what is done of each copy, and lead to any round', async () => {
    session.endRound(7);
    render(PartsSheet, { session, call: CALL });
    await expect.element(button(/Ball 1 of 5/, false)).toBeVisible();
    await expect.element(button(/Rnd 1 6, counted 7/, false)).toBeVisible();
    await button(/Ear, 2 of 2/, false).click();
    await button(/^Rnd 1 5/, false).click();
    expect(session.at).toEqual({ part: 1, copy: 1, ring: 0 });
  });

  it('the time of a round is put right, and touches stand for something else', async () => {
    render(MoreSheet, { session, call: CALL });
    await userEvent.fill(page.getByLabelText('This round has taken, in minutes'), '12');
    await userEvent.tab();
    expect(roundOf(0)?.spent).toBe(720_000);
    await button('Whole rounds').click();
    session.touch();
    expect(worked()).toBe(1);
  });

  it('what can’t be kept is said at the round itself', async () => {
    render(RoundWords, { session, call: CALL });
    await expect.element(page.getByRole('alert')).toHaveTextContent('keeps nothing');
    await expect.element(page.getByRole('heading', { level: 1 })).toHaveTextContent('Rnd 1 makes 6');
  });
});
