import { type BenchRound, type Told, type ResultRow, type SideBySide } from '../../core/index.js';
import type { Results } from '../bench.js';
import { roundWords, NOTE_WORDS } from '../bench/words.js';
import { troubleIn } from '../client.js';
import type { QueryMade } from '../queries.js';

/** What a Tests screen asks of the outside. */
export interface TestsOptions {
  /** The text as it is now. */
  readonly text: string;
  readonly results: () => Promise<Results>;
  readonly query: (made: QueryMade) => Promise<{ readonly number: number }>;
  readonly say: (words: string) => void;
}

/** Testers of a call, side by side. */
export class TestsSession {
  readonly #options: TestsOptions;
  results = $state.raw<Results | null>(null);
  trouble = $state('');
  /** Rounds where two or more stumbled stand first. */
  stumbledFirst = $state(true);
  /** The chosen round: its place among the rows in the order of the pattern; null for the whole. */
  chosen = $state<number | null>(null);

  readonly all = $derived<SideBySide | null>(this.results?.all ?? null);
  /** The places of the rows, as they are shown. */
  readonly order = $derived.by(() => {
    const rows = this.all?.rows ?? [];
    const places = rows.map((_, i) => i);
    if (!this.stumbledFirst) return places;
    const weight = (i: number) => ((rows[i]?.stumbled ?? 0) >= TOGETHER ? (rows[i]?.stumbled ?? 0) : 0);
    return places.sort((a, b) => weight(b) - weight(a) || a - b);
  });
  readonly row = $derived<ResultRow | null>(this.chosen === null ? null : (this.all?.rows[this.chosen] ?? null));
  readonly round = $derived<BenchRound | null>(this.row && this.roundOf(this.row));

  constructor(options: TestsOptions) {
    this.#options = options;
  }

  async begin(): Promise<void> {
    try {
      this.results = await this.#options.results();
      this.trouble = '';
    } catch (error) {
      this.trouble = troubleIn(error);
    }
  }

  roundOf({ part, ring }: Pick<ResultRow, 'part' | 'ring'>): BenchRound | null {
    return this.results?.course.parts[part]?.rounds[ring] ?? null;
  }

  /** "Body, Rnd 3". */
  wordsOf(row: Pick<ResultRow, 'part' | 'ring'>): string {
    const round = this.roundOf(row);
    return `${this.results?.course.parts[row.part]?.name ?? ''}, ${round ? roundWords(round) : ''}`;
  }

  step(by: 1 | -1): void {
    const at = this.chosen === null ? -1 : this.order.indexOf(this.chosen);
    const next = this.order[Math.max(0, at + by)];
    if (next !== undefined) this.chosen = next;
  }

  /** The next round, in the order that is shown, where somebody stumbled. */
  nextStumble(): void {
    const at = this.chosen === null ? -1 : this.order.indexOf(this.chosen);
    const stumbled = (i: number) => (this.all?.rows[i]?.stumbled ?? 0) > 0;
    const next = this.order.slice(at + 1).find(stumbled) ?? this.order.find(stumbled);
    if (next !== undefined) this.chosen = next;
  }

  /** Makes a query of what testers noted at the chosen round. */
  async toQuery(): Promise<void> {
    const { row, round, results } = this;
    if (!row || !round || !results) return;
    const all = row.told.flatMap((told) => tellings(told, results.all.testers[told.tester]?.name ?? ''));
    if (all.length === 0) {
      this.#options.say('Nobody noted anything at this round.');
      return;
    }
    const words = results.course.instructions[round.instruction]?.words ?? '';
    // The text may have gone on since it was frozen.
    const from = words === '' ? -1 : this.#options.text.indexOf(words);
    try {
      const { number } = await this.#options.query({
        ref: `test-${results.number}-${row.part}-${row.ring}`,
        scope: from < 0 ? 'pattern' : 'round',
        at: from < 0 ? null : { from, words },
        part: results.course.parts[row.part]?.name ?? '',
        round: round.label,
        text: `“${round.label}: ${words}”: ${all.join(' ')}`.slice(0, LONGEST_QUERY),
        proposal: '',
        rule: '',
        finding: '',
      });
      this.#options.say(`Query ${number} is made.`);
    } catch (error) {
      this.#options.say(troubleIn(error));
    }
  }
}

/** From so many on who stumble at one round, it is the text that is looked at first. */
const TOGETHER = 2;
const LONGEST_QUERY = 1900;

/** What a tester says of a round, a sentence each. */
function tellings({ notes, hooks, counted }: Told, name: string): string[] {
  return [
    ...notes.map(
      ({ note, words }) => `${name}: ${NOTE_WORDS[note].toLowerCase()}${words === '' ? '' : `, “${words}”`}.`,
    ),
    ...hooks.map((one) => `${name} counted ${one.counted} instead of ${one.made}.`),
    ...(hooks.length === 0 ? counted.map((count) => `${name} counted ${count}.`) : []),
  ];
}

/** A table as a file that spreadsheets open: what could be taken for a formula is not. */
export function csvOf(table: readonly (readonly (string | number)[])[]): string {
  const cell = (value: string | number) => {
    const words = typeof value === 'string' && /^[=+\-@\t\r]/.test(value) ? `'${value}` : String(value);
    return /[",\n\r]/.test(words) ? `"${words.replaceAll('"', '""')}"` : words;
  };
  return `${table.map((row) => row.map(cell).join(',')).join('\r\n')}\r\n`;
}
