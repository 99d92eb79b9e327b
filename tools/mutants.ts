/**
 * Changes one operator or constant of the core at a time, and runs the core's tests: a change that no test notices survives.
 * All changes are built into one bundle, and one of them is switched on in each run.
 *   npm run mutants -- [HOW MANY] [SEED] [FROM]    FROM goes on where an earlier run was stopped
 *   npm run mutants -- again       those that survived last time, each in a process of its own, with all tests: what one
 *                                  process remembers from change to change hides some of them
 */
import { spawn, type ChildProcess } from 'node:child_process';
import { createHash } from 'node:crypto';
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
  /** What stands around it, to find it again when the file has changed. */
  readonly around: string;
  /** Only a process of its own shows what it changes: it is worked out once, or what it makes is remembered. */
  readonly once: boolean;
}

const BUNDLE = 'dist/mutants.mjs';
/** A run that takes longer hangs, which is noticed; milliseconds. */
const HANG = 180_000;
/** All tests are loaded and run once before the first change; milliseconds. */
const BEGIN = 900_000;
/** So many of the quickest tests say whether a process is still sound. */
const SOUND = 400;
/** A test that takes longer is run only once more for what has survived (`again`); milliseconds. */
const LONG = 700;
/** So many characters on both sides tell a place. */
const AROUND = 40;
/** Constants over this are limits. */
const SMALL = 12;
/** What a module keeps from one call to the next. */
const MEMORY = /^const \w+ = new Map(?:<.*>)?\(\);$/m;
const SURVIVORS = 'dist/mutants.json';
const again = process.argv[2] === 'again';
const many = again ? 0 : Number(process.argv[2] ?? 300);
const seed = Number(process.argv[3] ?? 1);
const begin = Number(process.argv[4] ?? 0);

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
  const remembers = MEMORY.test(text);
  const note = (node: ts.Node, after: string) => {
    const [from, to] = [node.getStart(source), node.getEnd()];
    const line = source.getLineAndCharacterOfPosition(from).line + 1;
    const around = text.slice(Math.max(0, from - AROUND), to + AROUND);
    found.push({
      file,
      line,
      from,
      to,
      before: text.slice(from, to),
      after,
      around,
      once: remembers || !isInFunction(node),
    });
  };
  const visit = (node: ts.Node): void => {
    if (ts.isTypeNode(node) || ts.isImportDeclaration(node) || ts.isInterfaceDeclaration(node)) return;
    if (ts.isBinaryExpression(node)) {
      const other = OTHER[node.operatorToken.kind];
      if (other) note(node, `${node.left.getText(source)} ${other} ${node.right.getText(source)}`);
    } else if (ts.isPrefixUnaryExpression(node) && node.operator === ts.SyntaxKind.ExclamationToken)
      note(node, node.operand.getText(source));
    else if (ts.isNumericLiteral(node) && !isKey(node) && !isFallback(node))
      // A limit that is off by one is nobody's promise; one that is off by half is felt.
      note(node, Number(node.text) > SMALL ? `(${node.text} / 2)` : `(${node.text} + 1)`);
    else if (node.kind === ts.SyntaxKind.TrueKeyword && !isKey(node)) note(node, 'false');
    else if (node.kind === ts.SyntaxKind.FalseKeyword && !isKey(node)) note(node, 'true');
    ts.forEachChild(node, visit);
  };
  visit(source);
  return found;
}

/** What stands behind `??` for the compiler's sake, where something is always there. */
function isFallback({ parent }: ts.Node): boolean {
  return ts.isBinaryExpression(parent) && parent.operatorToken.kind === ts.SyntaxKind.QuestionQuestionToken;
}

function isInFunction(node: ts.Node): boolean {
  for (let at = node.parent; !ts.isSourceFile(at); at = at.parent)
    if (ts.isFunctionLike(at) || ts.isClassLike(at)) return true;
  return false;
}

/** A constant that is a type or a name. */
function isKey(node: ts.Node): boolean {
  const { parent } = node;
  if (ts.isBindingElement(parent) || ts.isPropertyAssignment(parent)) return node !== parent.initializer;
  return ts.isLiteralTypeNode(parent) || ts.isEnumMember(parent);
}

function coreFiles(folder = 'src/core'): string[] {
  return readdirSync(folder, { withFileTypes: true }).flatMap((entry) => {
    const file = path.join(folder, entry.name);
    if (entry.isDirectory()) return coreFiles(file);
    return /\.ts$/.test(file) && !/\.test\.ts$|schema\.ts$/.test(file) ? [file] : [];
  });
}

/** Some of all, the same for the same seed wherever the code around them is the same; none within another. */
function chosen(all: readonly Mutant[]): Mutant[] {
  const signOf = ({ file, around, after }: Mutant) =>
    createHash('sha256').update(`${seed} ${file} ${around} ${after}`).digest('hex');
  const order = all.map((mutant) => ({ mutant, at: signOf(mutant) })).sort((a, b) => (a.at < b.at ? -1 : 1));
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
          const switched = `(IS_MUTANT(${number}) ? (${after}) : (${before}))`;
          contents = contents.slice(0, from) + switched + contents.slice(to);
        }
        return { contents, loader: 'ts' };
      });
    },
  };
}

async function bundle(mutants: readonly Mutant[]): Promise<void> {
  const files = readdirSync('src/core', { recursive: true, encoding: 'utf8' })
    // What puts another module in the place of one needs Vitest itself.
    .filter((file) => file.endsWith('.test.ts') && !readFileSync(`src/core/${file}`, 'utf8').includes('vi.mock'))
    .sort()
    .map((file) => path.join('src/core', file));
  const loads = [...files, 'tools/docs.test.ts', 'tools/golden.test.ts', 'tools/fixes.test.ts']
    .map((file) => `() => import(${JSON.stringify(path.resolve(file))})`)
    .join(', ');
  await build({
    stdin: {
      contents: `
        import { described, firstFailure, timed } from ${JSON.stringify(path.resolve('tools/tests-here.ts'))};
        const loads = [${loads}];
        const met = () => {
          const places = PLACES_MET ?? new Set();
          PLACES_MET = new Set();
          return places;
        };
        MUTANT = Number(process.env.MUTANT ?? -1);
        const all = await described(loads);
        if (MUTANT >= 0) {
          PLACES_MET = null;
          process.on('message', async ({ order }) => {
            process.send(await firstFailure(order ? order.map((at) => all[at]) : all));
            process.exit();
          });
          process.send('loaded');
        } else {
          const loading = [...met()];
          const done = await timed(all, met).catch(({ message }) => {
            process.send({ unsound: message });
            process.exit(1);
          });
          PLACES_MET = null;
          // The long ones look for what is wrong in many texts by chance; they are for what all others let pass.
          const tests = done
            .map((test, at) => ({ ...test, at }))
            .filter(({ name, takes }) => takes < ${LONG} || name.includes('has not changed'))
            .sort((a, b) => a.takes - b.takes);
          process.on('message', async (number) => {
            MUTANT = number;
            const why = await firstFailure(tests.filter(({ meets }) => meets.has(number)));
            MUTANT = -1;
            // What is remembered from a change that was noticed may be wrong.
            const sound = why === null || (await firstFailure(tests.slice(0, ${SOUND}))) === null;
            process.send(why);
            if (!sound) process.exit();
          });
          process.send({ loading, order: tests.map(({ at }) => at) });
        }`,
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
    banner: {
      js: 'let MUTANT = -1; let PLACES_MET = new Set(); const IS_MUTANT = (n) => { PLACES_MET?.add(n); return MUTANT === n; };',
    },
    outfile: BUNDLE,
    logLevel: 'error',
  });
}

/** What a process says of itself when it is ready. */
interface Ready {
  /** The changes that are come by while the tests are loaded: they show in a process of their own only. */
  readonly loading: readonly number[];
  /** The quick tests by their places among all, the quickest first. */
  readonly order: readonly number[];
}
/** Why a change is noticed, null where it is not, or that a process is ready. */
type Said = string | null | { readonly unsound: string } | Ready;

/** A process that has loaded the tests, and runs them for one change after the other. */
class Bench {
  #child: ChildProcess | null = null;
  #ready: Ready | null = null;

  /** What the tests say of a change; null where they all pass. */
  async noticed(number: number, once: boolean): Promise<string | null> {
    if (again) return this.#alone(number, null);
    if (this.#child?.connected !== true || !this.#ready) {
      this.#child = start({});
      const said = await this.#answer(this.#child, BEGIN);
      if (typeof said !== 'object' || said === null || 'unsound' in said)
        throw new Error(`Without any change: ${JSON.stringify(said)}`);
      this.#ready = said;
    }
    if (once || this.#ready.loading.includes(number)) return this.#alone(number, this.#ready.order);
    const answer = this.#answer(this.#child, HANG);
    this.#child.send(number);
    return told(await answer);
  }

  /** The same in a process of its own. @param order which tests are run; all where it is null. */
  async #alone(number: number, order: readonly number[] | null): Promise<string | null> {
    const child = start({ MUTANT: String(number) });
    const loaded = await this.#answer(child, BEGIN);
    if (loaded !== 'loaded') return told(loaded);
    const answer = this.#answer(child, BEGIN);
    child.send({ order });
    return told(await answer);
  }

  close(): void {
    this.#child?.kill('SIGKILL');
  }

  /** The next word of a process; one that breaks or hangs is told to have noticed something. */
  #answer(child: ChildProcess, patience: number): Promise<Said> {
    return new Promise((resolve) => {
      const late = setTimeout(() => child.kill('SIGKILL'), patience);
      const broke = () => resolve('it breaks or hangs');
      child.once('exit', broke);
      child.once('message', (said) => {
        clearTimeout(late);
        child.off('exit', broke);
        resolve(said as Said);
      });
    });
  }
}

function told(said: Said): string | null {
  return said === null || typeof said === 'string' ? said : JSON.stringify(said);
}

function start(env: Readonly<Record<string, string>>): ChildProcess {
  // Loaded rather than started, so that the tools in it are not started either.
  return spawn(process.execPath, ['--eval', `import('./${BUNDLE}')`], {
    env: { ...process.env, ...env },
    stdio: ['ignore', 'ignore', 'ignore', 'ipc'],
  });
}

/** Those that survived last time, as far as what they change still stands there. */
function lastSurvivors(): Mutant[] {
  const last = JSON.parse(readFileSync(SURVIVORS, 'utf8')) as Mutant[];
  return last.flatMap((mutant) => {
    const text = readFileSync(mutant.file, 'utf8');
    const at = text.indexOf(mutant.around);
    const alone = at >= 0 && text.indexOf(mutant.around, at + 1) < 0;
    const from = at + Math.min(AROUND, mutant.from);
    if (!alone) console.log(`not found again: ${mutant.file}:${mutant.line} ${mutant.before}`);
    return alone ? [{ ...mutant, from, to: from + mutant.before.length }] : [];
  });
}

const all = coreFiles().flatMap(mutantsIn);
const mutants = again ? lastSurvivors() : chosen(all);
await bundle(mutants);
const survivors: Mutant[] = [];
const waiting = mutants.map((mutant, number) => ({ mutant, number })).slice(begin);
async function work(): Promise<void> {
  const bench = new Bench();
  for (let one = waiting.shift(); one; one = waiting.shift()) {
    const { mutant, number } = one;
    if ((await bench.noticed(number, mutant.once)) !== null) continue;
    survivors.push(mutant);
    const { file, line, before, after } = mutant;
    console.log(`${number}: ${file}:${line}  ${before.slice(0, 90)}  →  ${after.slice(0, 90)}`);
    writeFileSync(SURVIVORS, JSON.stringify(survivors, null, 2));
  }
  bench.close();
}
await Promise.all([work(), work()]);
const which = again ? 'of those that survived' : `of ${all.length} that can be made, by seed ${seed}`;
console.log(`${survivors.length} of ${mutants.length - begin} changes (${which}) are noticed by no test`);
writeFileSync(SURVIVORS, JSON.stringify(survivors, null, 2));
