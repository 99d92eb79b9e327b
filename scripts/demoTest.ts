/** A test of the demo: four testers follow the starfish, one of whom has not finished. */
import { roundsAlong, type Course, type NoteKind, type Spot, type Step, type What } from '../src/core/index.js';
import { MOST_STEPS } from '../src/lib/bench.js';
import type { Stores } from '../src/lib/server/storesOver.js';

interface Tester {
  readonly name: string;
  /** Milliseconds a stitch. */
  readonly pace: number;
  /** How much of it is done. */
  readonly share: number;
  readonly difficulty: number | null;
  /** Grams before and after, of each yarn. */
  readonly yarn: readonly (readonly [number, number])[];
  /** Height and width of the toy, cm. */
  readonly size: readonly [number, number] | null;
  readonly stitches: number;
  readonly words: string;
  /** By part and number of the round. */
  readonly notes: readonly (readonly [string, number, NoteKind, string])[];
  readonly counts: readonly (readonly [string, number, number, string])[];
}

const UNEVEN = 'Went on as it is.';
const TESTERS: readonly Tester[] = [
  {
    name: 'Aune',
    pace: 4300,
    share: 1,
    difficulty: 2,
    yarn: [
      [50, 27.5],
      [20, 13.5],
    ],
    size: [17.5, 17],
    stitches: 17,
    words: 'Lovely and quick. The arms want a word on which way they lie.',
    notes: [
      ['Top', 7, 'mistake', 'A bracket is missing behind “inc”.'],
      ['Arms', 7, 'count-wrong', 'I get 10, not 11, in all five.'],
    ],
    counts: [['Arms', 7, 10, UNEVEN]],
  },
  {
    name: 'Mirre',
    pace: 5400,
    share: 1,
    difficulty: 3,
    yarn: [
      [48, 24],
      [22, 15],
    ],
    size: [18, 18],
    stitches: 16.5,
    words: 'Joining top and bottom took me two tries.',
    notes: [
      ['Top', 7, 'unclear', 'Is the increase in the brackets or behind them?'],
      ['Arms', 3, 'hard', 'Six stitches round are tight for my hook.'],
      ['Arms', 7, 'count-wrong', ''],
    ],
    counts: [
      ['Top', 7, 29, 'Work it in now: one more stitch in the single crochet where it is missing.'],
      ['Arms', 7, 10, UNEVEN],
    ],
  },
  {
    name: 'Tove',
    pace: 3500,
    share: 1,
    difficulty: 1,
    yarn: [
      [51, 30],
      [19.5, 13],
    ],
    size: [16.5, 16],
    stitches: 18,
    words: '',
    notes: [
      ['Top', 4, 'liked', 'The increases lie apart: it is really round.'],
      ['Arms', 7, 'count-wrong', '(3 + 2) × 2 is 10.'],
    ],
    counts: [['Arms', 7, 10, UNEVEN]],
  },
  {
    name: 'Ylva',
    pace: 6800,
    share: 0.55,
    difficulty: null,
    yarn: [[50, 0]],
    size: null,
    stitches: 16,
    words: '',
    notes: [['Top', 7, 'unclear', '']],
    counts: [],
  },
];

const FIRST_DAY = Date.UTC(2026, 3, 11, 16, 20);
const DAY = 86_400_000;

/** Asks for a test, and has four testers follow it. */
export async function test(id: string, { calls, bench }: Pick<Stores, 'calls' | 'bench'>): Promise<void> {
  const number = await calls.open(id, {
    yarn: 'Aran cotton, sand and a bit of rose',
    hook: '4 mm',
    gauge: '',
    by: '2026-04-25',
    photographs: 'The whole star, and where arm and star meet',
    smallParts: 'No small parts are used. Don’t add any for a child under three.',
  });
  const secret = (await calls.of(id)).find((one) => one.number === number)?.address?.secret ?? '';
  const call = await bench.call(secret);
  if (typeof call === 'string') throw new Error(`The demo's starfish can't be tested: ${call}`);
  for (const [i, tester] of TESTERS.entries()) {
    const joined = await bench.join(secret, tester.name);
    if (typeof joined === 'string') throw new Error(`${tester.name} can't join: ${joined}`);
    const steps = stepsOf(call.course, tester, i);
    for (let from = 0; from < steps.length; from += MOST_STEPS)
      await bench.exchange(secret, joined.token, { after: 0, steps: steps.slice(from, from + MOST_STEPS) });
  }
}

function stepsOf(course: Course, tester: Tester, who: number): Step[] {
  const steps: Step[] = [];
  let at = FIRST_DAY + who * DAY;
  const note = (what: What, spent = 0) => {
    at += spent + 2000;
    const order = steps.length + 1;
    steps.push({
      id: `demo-${who}-${String(order).padStart(5, '0')}`,
      device: `demo-phone-${who}`,
      order,
      at,
      spent,
      what,
    });
  };
  const [first] = tester.yarn;
  if (first) weigh(course, tester, 'before', note);
  note({ kind: 'swatch', stitches: tester.stitches, rows: null });
  const spots = [...roundsAlong(course)];
  for (const spot of spots.slice(0, Math.round(spots.length * tester.share))) work(course, tester, spot, note);
  if (tester.share < 1) return steps;
  weigh(course, tester, 'after', note);
  if (tester.size) note({ kind: 'size', part: null, height: tester.size[0], width: tester.size[1] });
  if (tester.difficulty) note({ kind: 'difficulty', of: tester.difficulty });
  note({ kind: 'finished', words: tester.words });
  return steps;
}

type Note = (what: What, spent?: number) => void;

function weigh({ yarns }: Course, tester: Tester, when: 'before' | 'after', note: Note): void {
  for (const [i, [before, after]] of tester.yarn.entries()) {
    const yarn = yarns[i];
    if (yarn !== undefined) note({ kind: 'weigh', yarn, when, grams: when === 'before' ? before : after });
  }
}

/** A round is worked: hands slow down and hurry, and some rounds make people look twice. */
function work({ parts }: Course, tester: Tester, spot: Spot, note: Note): void {
  const part = parts[spot.part];
  const round = part?.rounds[spot.ring];
  if (!part || !round) return;
  const here = (name: string, number: number) =>
    part.name.toLowerCase() === name.toLowerCase() && round.number === number && spot.copy === 0;
  const notes = tester.notes.filter(([name, number]) => here(name, number));
  const counts = tester.counts.filter(([name, number]) => here(name, number));
  const uneven = 0.85 + ((spot.part * 7 + spot.copy * 5 + spot.ring * 3 + tester.pace / 100) % 10) / 25;
  const spent = Math.round((round.made ?? 6) * tester.pace * uneven * (notes.length > 0 ? 1.7 : 1));
  for (const [, , kind, words] of notes) note({ kind: 'note', spot, note: kind, words, photographs: [] });
  for (const [, , counted, decided] of counts)
    note({ kind: 'hook', spot, counted, made: round.made ?? counted, decided });
  note({ kind: 'round', spot, counted: counts[0]?.[2] ?? null }, spent);
}
