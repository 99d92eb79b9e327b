/**
 * The command as it was bundled, with what V8 compiled of it when it was built. Compiling it and all that it calls for the first
 * time is a good part of the time in which one pattern is checked. V8 takes what is kept where it is of its own version; else it
 * compiles anew, and nothing else is different.
 */
import { existsSync, readFileSync } from 'node:fs';
import { createRequire } from 'node:module';
import path from 'node:path';
import { setFlagsFromString } from 'node:v8';
import { Script } from 'node:vm';

export interface Command {
  readonly main: (words: readonly string[]) => Promise<number>;
  /** What V8 has compiled of it by now, for `keptIn`. */
  readonly compiled: () => Buffer;
}

/** Where what was compiled of a command is kept. */
export function keptIn(command: string): string {
  return `${command}.compiled`;
}

/**
 * Most expressions of the core are used a few times for a pattern. They are not polished, and made into machine code after so many
 * uses only, instead of at once: a twelfth of the work for one pattern. What was compiled is of use under the same flags alone.
 */
const ONE_PATTERN = ['--no-regexp-peephole-optimization', '--regexp-tier-up-ticks=20'];

/** @param command the file of a bundle, as a module of the older kind */
export function commandOf(command: string): Command {
  for (const flag of ONE_PATTERN) setFlagsFromString(flag);
  const kept = keptIn(command);
  const words = readFileSync(command, 'utf8');
  const script = new Script(`(function (exports, require, module, __filename, __dirname) {${words}\n})`, {
    filename: command,
    ...(existsSync(kept) ? { cachedData: readFileSync(kept) } : {}),
  });
  type Bundle = (exports: object, require: NodeJS.Require, module: object, file: string, folder: string) => void;
  const module = { exports: {} };
  const run = script.runInThisContext() as Bundle;
  run(module.exports, createRequire(command), module, command, path.dirname(command));
  const { main } = module.exports as Pick<Command, 'main'>;
  return { main, compiled: () => script.createCachedData() };
}
