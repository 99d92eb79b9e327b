/**
 * Writes the expressions of the core out that take letters in either case, for what starts anew with each call: the terminal, and
 * the processes beside the server. See `eitherCase`, which says why; a browser would have to fetch what it adds to them.
 */
import { readFileSync } from 'node:fs';
import { readFile } from 'node:fs/promises';
import { transformSync } from 'esbuild';
import ts from 'typescript';
import { CORE, withLetters } from './letters.mjs';

const { code } = transformSync(readFileSync(new URL('../src/core/text/eitherCase.ts', import.meta.url), 'utf8'), {
  loader: 'ts',
  charset: 'utf8',
});
/** @type {unknown} */
const made = await import(`data:text/javascript,${encodeURIComponent(code)}`);
const { eitherCase } = /** @type {{ eitherCase: (source: string) => string }} */ (made);

const EXPRESSION = /^\/([^]+)\/([a-z]+)$/u;

/**
 * @param {string} source of a module, as it is written
 * @returns {string} the same, with its expressions of the flags `i` and `u` in either case without `i`
 */
export function withEitherCase(source) {
  let written = '';
  let done = 0;
  const visit = (/** @type {ts.Node} */ node) => {
    if (ts.isRegularExpressionLiteral(node)) {
      const [, words = '', flags = ''] = EXPRESSION.exec(node.text) ?? [];
      if (flags.includes('i') && flags.includes('u')) {
        written += `${source.slice(done, node.getStart())}/${eitherCase(words)}/${flags.replace('i', '')}`;
        done = node.getEnd();
      }
    }
    ts.forEachChild(node, visit);
  };
  visit(ts.createSourceFile('core.ts', source, ts.ScriptTarget.Latest, true));
  return written + source.slice(done);
}

/** For esbuild: what is bundled for the terminal and for the processes beside the server, with its letters written out. */
export const expressionsInBundles = {
  name: 'expressions',
  setup(/** @type {import('esbuild').PluginBuild} */ build) {
    build.onLoad({ filter: CORE }, async ({ path }) => {
      return { contents: withLetters(withEitherCase(await readFile(path, 'utf8'))), loader: 'ts' };
    });
  },
};
