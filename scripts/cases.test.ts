import { readdirSync, readFileSync } from 'node:fs';
import path from 'node:path';
import ts from 'typescript';
import { describe, expect, it } from 'vitest';
import { withEitherCase } from './cases.mjs';

const CORE = 'src/core';

/** The expressions of a module, as they are written. */
function expressionsIn(source: string): string[] {
  const found: string[] = [];
  const visit = (node: ts.Node) => {
    if (ts.isRegularExpressionLiteral(node)) found.push(node.text);
    ts.forEachChild(node, visit);
  };
  visit(ts.createSourceFile('core.ts', source, ts.ScriptTarget.Latest));
  return found;
}

/** What an expression finds in a line, and where. */
function findingsOf(written: string): (line: string) => string {
  const [, source = '', flags = ''] = /^\/([^]+)\/([a-z]*)$/u.exec(written) ?? [];
  const all = new RegExp(source, `${flags.replace(/[gy]/g, '')}g`);
  return (line) => [...line.matchAll(all)].map((match) => `${match.index}: ${match.join('|')}`).join('\n');
}

describe('expressions in either case', () => {
  it.each([
    ['const A = /st(?!\\p{L})/giu;', 'const A = /[sS][tT](?!\\p{L})/gu;'],
    ['const A = [/a/u, /b/i, "/c/iu"];', 'const A = [/a/u, /b/i, "/c/iu"];'],
    ["f(/x/iu, '/y/iu'); // /z/iu", "f(/[xX]/u, '/y/iu'); // /z/iu"],
  ])('%s', (source, written) => {
    expect(withEitherCase(source)).toBe(written);
  });

  it('find all over the demo patterns what those of the core find there, in capitals, too', () => {
    const modules = readdirSync(CORE, { recursive: true, encoding: 'utf8' })
      .filter((file) => file.endsWith('.ts') && !file.endsWith('.test.ts'))
      .map((file) => readFileSync(path.join(CORE, file), 'utf8'));
    const pairs = modules.flatMap((source) => {
      const written = expressionsIn(withEitherCase(source));
      return expressionsIn(source).flatMap((one, i) => (one === written[i] ? [] : [[one, written[i] ?? ''] as const]));
    });
    expect(pairs.length).toBeGreaterThan(250);
    const text = readdirSync('demo').map((file) => readFileSync(path.join('demo', file), 'utf8'));
    const lines = [...new Set(text.flatMap((one) => [...one.split('\n'), ...one.toUpperCase().split('\n')]))];
    const over = (written: string) => lines.map(findingsOf(written)).join('\n');
    const wrong = pairs.filter(([one, other]) => over(one) !== over(other)).map(([one]) => one);
    expect(wrong).toEqual([]);
  });
});
