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
const tests: Test[] = [];
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

/** A test that was described. */
interface Test {
  readonly name: string;
  readonly run: () => unknown;
}

/** With how long it takes where nothing is wrong, in milliseconds, and the changes whose places it comes by. */
interface Timed extends Test {
  readonly takes: number;
  readonly meets: ReadonlySet<number>;
}

function why(name: string, error: unknown): string {
  return `${name}: ${error instanceof Error ? (error.message.split('\n')[0] ?? '') : String(error)}`;
}

/** Loads files of tests. @returns them, in their order. */
export async function described(loads: readonly (() => Promise<unknown>)[]): Promise<readonly Test[]> {
  for (const load of loads) await load();
  return tests;
}

/**
 * Runs all tests once. @param met the changes whose places were come by since it was called last.
 * @throws where one fails.
 */
export async function timed(all: readonly Test[], met: () => ReadonlySet<number>): Promise<readonly Timed[]> {
  const done: Timed[] = [];
  for (const test of all) {
    const start = performance.now();
    met();
    const failure = await firstFailure([test]);
    if (failure !== null) throw new Error(failure);
    done.push({ ...test, takes: performance.now() - start, meets: met() });
  }
  return done;
}

/** Runs tests one after the other. @returns the first that fails, with why; null where none does. */
export async function firstFailure(some: readonly Test[]): Promise<string | null> {
  for (const { name, run } of some)
    try {
      await run();
    } catch (error) {
      return why(name, error);
    }
  return null;
}
