/**
 * Changes one operator or constant of the core at a time, and runs the core's tests: a change that no test notices survives.
 * All changes are built into one bundle, and one of them is switched on in each run.
 *   npm run mutants -- [HOW MANY] [SEED]
 */
import { spawn } from 'node:child_process';
import { readdirSync, readFileSync, writeFileSync } from 'node:fs';
import path from 'node:path';
import { build, type Plugin } from 'esbuild';
import ts from 'typescript';

/** One change: the words of a file from one offset to another, and what stands there instead. */
interface Mutant {
  readonly file: string;
  readonly line: number;
  readonly from: number;
  readonly to: number;
  readonly before: string;
  readonly after: string;
}

const BUNDLE = 'dist/mutants.mjs';
/** A run that takes longer hangs, which is noticed; milliseconds. */
const HANG = 240_000;
const SURVIVORS = 'dist/mutants.json';
const again = process.argv[2] === 'again';
const many = again ? 0 : Number(process.argv[2] ?? 300);
const seed = Number(process.argv[3] ?? 1);

const OTHER: Readonly<Partial<Record<ts.SyntaxKind, string>>> = {
  [ts.SyntaxKind.LessThanToken]: '<=',
  [ts.SyntaxKind.LessThanEqualsToken]: '<',
  [ts.SyntaxKind.GreaterThanToken]: '>=',
  [ts.SyntaxKind.GreaterThanEqualsToken]: '>',
  [ts.SyntaxKind.EqualsEqualsEqualsToken]: '!==',
  [ts.SyntaxKind.ExclamationEqualsEqualsToken]: '===',
  [ts.SyntaxKind.AmpersandAmpersandToken]: '||',
  [ts.SyntaxKind.BarBarToken]: '&&',
  [ts.SyntaxKind.MinusToken]: '+',
  [ts.SyntaxKind.AsteriskToken]: '/',
  [ts.SyntaxKind.PercentToken]: '*',
};

/** Every change that can be made in a file. */
function mutantsIn(file: string): Mutant[] {
  const text = readFileSync(file, 'utf8');
  const source = ts.createSourceFile(file, text, ts.ScriptTarget.Latest, true);
  const found: Mutant[] = [];
  const note = (node: ts.Node, after: string) => {
    const [from, to] = [node.getStart(source), node.getEnd()];
    const line = source.getLineAndCharacterOfPosition(from).line + 1;
    found.push({ file, line, from, to, before: text.slice(from, to), after });
  };
  const visit = (node: ts.Node): void => {
    if (ts.isTypeNode(node) || ts.isImportDeclaration(node) || ts.isInterfaceDeclaration(node)) return;
    if (ts.isBinaryExpression(node)) {
      const other = OTHER[node.operatorToken.kind];
      if (other) note(node, `${node.left.getText(source)} ${other} ${node.right.getText(source)}`);
    } else if (ts.isPrefixUnaryExpression(node) && node.operator === ts.SyntaxKind.ExclamationToken)
      note(node, node.operand.getText(source));
    else if (ts.isNumericLiteral(node) && !isKey(node)) note(node, `(${node.text} + 1)`);
    else if (node.kind === ts.SyntaxKind.TrueKeyword && !isKey(node)) note(node, 'false');
    else if (node.kind === ts.SyntaxKind.FalseKeyword && !isKey(node)) note(node, 'true');
    ts.forEachChild(node, visit);
  };
  visit(source);
  return found;
}

/** A constant that is a type, a name, or a default that a comparison with `typeof` goes by. */
function isKey({ parent }: ts.Node): boolean {
  return ts.isPropertyAssignment(parent) ? false : ts.isLiteralTypeNode(parent) || ts.isEnumMember(parent);
}

function coreFiles(folder = 'src/core'): string[] {
  return readdirSync(folder, { withFileTypes: true }).flatMap((entry) => {
    const file = path.join(folder, entry.name);
    if (entry.isDirectory()) return coreFiles(file);
    return /\.ts$/.test(file) && !/\.test\.ts$|schema\.ts$/.test(file) ? [file] : [];
  });
}

/** Some of all, the same for the same seed; none within another. */
function chosen(all: readonly Mutant[]): Mutant[] {
  let at = seed;
  const next = () => (at = (at * 48271) % 2147483647) / 2147483647;
  const order = all.map((mutant) => ({ mutant, at: next() })).sort((a, b) => a.at - b.at);
  const some: Mutant[] = [];
  for (const { mutant } of order) {
    if (some.length === many) break;
    if (!some.some(({ file, from, to }) => file === mutant.file && from < mutant.to && mutant.from < to))
      some.push(mutant);
  }
  return some;
}

/** The core with all changes in it, each behind its number. */
function withMutants(mutants: readonly Mutant[]): Plugin {
  return {
    name: 'mutants',
    setup(building) {
      building.onLoad({ filter: /src\/core\/.*\.ts$/ }, ({ path: file }) => {
        const here = mutants
          .map((mutant, number) => ({ mutant, number }))
          .filter(({ mutant }) => path.resolve(mutant.file) === file);
        let contents = readFileSync(file, 'utf8');
        for (const { mutant, number } of here.sort((a, b) => b.mutant.from - a.mutant.from)) {
          const { from, to, before, after } = mutant;
          const switched = `(MUTANT === ${number} ? (${after}) : (${before}))`;
          contents = contents.slice(0, from) + switched + contents.slice(to);
        }
        return { contents, loader: 'ts' };
      });
    },
  };
}

async function bundle(mutants: readonly Mutant[]): Promise<void> {
  const files = readdirSync('src/core', { recursive: true, encoding: 'utf8' })
    .filter((file) => file.endsWith('.test.ts'))
    .sort()
    .map((file) => path.join('src/core', file));
  // What every pattern is read as comes first: it notices most.
  const loads = ['tools/golden.test.ts', ...files, 'tools/fixes.test.ts']
    .map((file) => `() => import(${JSON.stringify(path.resolve(file))})`)
    .join(', ');
  await build({
    stdin: {
      contents: `import { firstFailure } from ${JSON.stringify(path.resolve('tools/tests-here.ts'))};
console.log(JSON.stringify(await firstFailure([${loads}])));`,
      resolveDir: process.cwd(),
    },
    bundle: true,
    platform: 'node',
    format: 'esm',
    packages: 'external',
    // The test files are there for what they do.
    ignoreAnnotations: true,
    alias: { vitest: path.resolve('tools/tests-here.ts') },
    plugins: [withMutants(mutants)],
    banner: { js: 'const MUTANT = Number(process.env.MUTANT ?? -1);' },
    outfile: BUNDLE,
    logLevel: 'error',
  });
}

/** What the tests say of a change; null where they all pass. */
function noticed(number: number): Promise<string | null> {
  return new Promise((resolve) => {
    // Loaded rather than started, so that the tools in it are not started either.
    const child = spawn(process.execPath, ['--eval', `import('./${BUNDLE}')`], {
      env: { ...process.env, MUTANT: String(number) },
      stdio: ['ignore', 'pipe', 'ignore'],
    });
    const late = setTimeout(() => child.kill('SIGKILL'), HANG);
    let said = '';
    child.stdout.on('data', (words: Buffer) => (said += words.toString()));
    child.once('exit', (code) => {
      clearTimeout(late);
      // Without an answer it broke while it was loaded, or hung.
      resolve(
        code === 0 ? (JSON.parse(said.trim().split('\n').at(-1) ?? 'null') as string | null) : 'it breaks or hangs',
      );
    });
  });
}

/** Those that survived last time, as far as what they change still stands there. */
function lastSurvivors(): Mutant[] {
  const last = JSON.parse(readFileSync(SURVIVORS, 'utf8')) as Mutant[];
  return last.flatMap((mutant) => {
    const text = readFileSync(mutant.file, 'utf8');
    if (text.slice(mutant.from, mutant.to) === mutant.before) return [mutant];
    const from = text.indexOf(mutant.before);
    const alone = from >= 0 && text.indexOf(mutant.before, from + 1) < 0;
    if (!alone) console.log(`not found again: ${mutant.file}:${mutant.line} ${mutant.before}`);
    return alone ? [{ ...mutant, from, to: from + mutant.before.length }] : [];
  });
}

const all = coreFiles().flatMap(mutantsIn);
const mutants = again ? lastSurvivors() : chosen(all);
await bundle(mutants);
const sound = await noticed(-1);
if (sound !== null) throw new Error(`Without any change a test fails: ${sound}`);

const survivors: Mutant[] = [];
const waiting = mutants.map((mutant, number) => ({ mutant, number }));
async function work(): Promise<void> {
  for (let one = waiting.shift(); one; one = waiting.shift()) {
    if ((await noticed(one.number)) !== null) continue;
    survivors.push(one.mutant);
    const { file, line, before, after } = one.mutant;
    console.log(`${one.number}: ${file}:${line}  ${before.slice(0, 90)}  →  ${after.slice(0, 90)}`);
    writeFileSync(SURVIVORS, JSON.stringify(survivors, null, 2));
  }
}
await Promise.all([work(), work()]);
const which = again ? 'of those that survived' : `of ${all.length} that can be made, by seed ${seed}`;
console.log(`${survivors.length} of ${mutants.length} changes (${which}) are noticed by no test`);
writeFileSync(SURVIVORS, JSON.stringify(survivors, null, 2));
