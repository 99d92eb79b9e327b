import type { TermChange } from '../../core/index.js';

/** A stretch of a line: words as they are, or those of a change. */
export interface Piece {
  readonly text: string;
  readonly change: TermChange | null;
}

/** A line of both versions; null where one of them has no such line. */
export interface PairedLine {
  readonly number: number | null;
  readonly left: readonly Piece[] | null;
  readonly right: readonly Piece[] | null;
  readonly changed: boolean;
}

/** Both versions of a text line by line, in step even where a change adds a line or takes one away. */
export function pairedLines(text: string, changes: readonly TermChange[]): PairedLine[] {
  const left = new Side();
  const right = new Side();
  const plain = (from: number, to: number) => {
    for (const [i, line] of text.slice(from, to).split('\n').entries()) {
      if (i > 0) {
        const length = Math.max(left.length, right.length);
        left.begin(length);
        right.begin(length);
      }
      left.add(line, null);
      right.add(line, null);
    }
  };
  let at = 0;
  for (const change of changes) {
    plain(at, change.from);
    left.addLines(change.before, change);
    right.addLines(change.written, change);
    left.level(right.length);
    right.level(left.length);
    at = change.to;
  }
  plain(at, text.length);
  let number = 0;
  return Array.from({ length: Math.max(left.length, right.length) }, (_, i) => {
    const one = left.line(i);
    const other = right.line(i);
    if (one) number += 1;
    const changed = [...(one ?? []), ...(other ?? [])].some(({ change }) => change !== null);
    return { number: one ? number : null, left: one, right: other, changed };
  });
}

/** A word with what is written for it, however often it stands there. */
export interface ChangeGroup {
  readonly before: string;
  readonly written: string;
  /** Some of them wait for an answer. */
  readonly doubtful: boolean;
  readonly of: readonly TermChange[];
}

/** The changes by their words, those in doubt first, then the most frequent. */
export function changeGroups(changes: readonly TermChange[]): ChangeGroup[] {
  const groups = new Map<string, TermChange[]>();
  for (const change of changes) {
    const key = `${oneLine(change.before)}\n${oneLine(change.written)}`.toLowerCase();
    const group = groups.get(key);
    if (group) group.push(change);
    else groups.set(key, [change]);
  }
  return [...groups.values()]
    .map((of) => {
      // As they stand where they stand first: "US" is not "us".
      const [before, written] = [oneLine(of[0]?.before ?? ''), oneLine(of[0]?.written ?? '')];
      return { before, written, doubtful: of.some(({ doubtful, decided }) => doubtful && !decided), of };
    })
    .sort((a, b) => Number(b.doubtful) - Number(a.doubtful) || b.of.length - a.of.length);
}

function oneLine(words: string): string {
  return words.replace(/\s+/g, ' ').trim();
}

/** One of the two versions, as it grows. */
class Side {
  readonly #lines: (Piece[] | null)[] = [[]];

  get length(): number {
    return this.#lines.length;
  }

  line(i: number): readonly Piece[] | null {
    return this.#lines[i] ?? null;
  }

  /** Begins the line of a number, after as many gaps as it takes. */
  begin(index: number): void {
    while (this.#lines.length < index) this.#lines.push(null);
    this.#lines.push([]);
  }

  /** A line that has gone, with its break: the next one stands beside its own again. */
  level(length: number): void {
    if (this.#lines.length >= length || this.#lines.at(-1)?.length !== 0) return;
    this.#lines[this.#lines.length - 1] = null;
    this.begin(length - 1);
  }

  add(text: string, change: TermChange | null): void {
    if (text !== '') this.#lines.at(-1)?.push({ text, change });
  }

  addLines(text: string, change: TermChange): void {
    for (const [i, line] of text.split('\n').entries()) {
      if (i > 0) this.begin(this.#lines.length);
      this.add(line, change);
    }
  }
}
