/**
 * What the core's tests ask of Vitest, for running them many times over in one bundle (tools/mutants.ts): each file's tests
 * one after the other, up to the first that fails.
 */
import { JestAsymmetricMatchers, JestChaiExpect, JestExtend } from '@vitest/expect';
import * as chai from 'chai';

chai.use(JestExtend);
chai.use(JestChaiExpect);
chai.use(JestAsymmetricMatchers);
export const expect = chai.expect;

type Body = (...row: never[]) => unknown;
const tests: { readonly name: string; readonly run: () => unknown }[] = [];
let path: readonly string[] = [];

/** The rows of a table, with the name of each. */
function eachOf(rows: readonly unknown[], add: (name: string, run: () => unknown) => void) {
  return (name: string, body: Body) => {
    for (const row of rows) {
      const values = Array.isArray(row) ? row : [row];
      add(`${name} ${JSON.stringify(values[0]).slice(0, 60)}`, () => body(...(values as never[])));
    }
  };
}

function addTest(name: string, run: () => unknown): void {
  tests.push({ name: [...path, name].join(' > '), run });
}

function addGroup(name: string, run: () => unknown): void {
  const outer = path;
  path = [...outer, name];
  run();
  path = outer;
}

export const it = Object.assign((name: string, run: () => unknown) => addTest(name, run), {
  each: (rows: readonly unknown[]) => eachOf(rows, addTest),
});
export const describe = Object.assign((name: string, run: () => void) => addGroup(name, run), {
  each: (rows: readonly unknown[]) => eachOf(rows, addGroup),
});

/** A test that was described, with how long it takes where nothing is wrong; milliseconds. */
interface Timed {
  readonly name: string;
  readonly run: () => unknown;
  readonly takes: number;
  /** The changes whose places it comes by. */
  readonly meets: ReadonlySet<number>;
}

function why(name: string, error: unknown): string {
  return `${name}: ${error instanceof Error ? (error.message.split('\n')[0] ?? '') : String(error)}`;
}

/**
 * Loads files of tests and runs all of them once.
 * @param met the changes whose places were come by since it was called last.
 * @returns them, the quickest first, and the changes whose places are come by while the files are loaded.
 * @throws where one fails.
 */
export async function timed(
  loads: readonly (() => Promise<unknown>)[],
  met: () => ReadonlySet<number>,
): Promise<{ readonly tests: readonly Timed[]; readonly loading: readonly number[] }> {
  const all: Timed[] = [];
  const loading: number[] = [];
  for (const load of loads) {
    tests.length = 0;
    met();
    await load();
    loading.push(...met());
    for (const { name, run } of tests) {
      const start = performance.now();
      met();
      try {
        await run();
      } catch (error) {
        throw new Error(why(name, error), { cause: error });
      }
      all.push({ name, run, takes: performance.now() - start, meets: met() });
    }
  }
  return { tests: all.sort((a, b) => a.takes - b.takes), loading };
}

/** Runs tests one after the other. @returns the first that fails, with why; null where none does. */
export async function firstFailure(timed: readonly Timed[]): Promise<string | null> {
  for (const { name, run } of timed)
    try {
      await run();
    } catch (error) {
      return why(name, error);
    }
  return null;
}
