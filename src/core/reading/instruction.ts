import { closeOf } from './reader.js';
import type { Step, Work } from '../pattern/instruction.js';
import type { BracketProblem, Instruction } from '../pattern/pattern.js';
import type { Span } from '../text/source.js';
import { FORMS } from './forms/index.js';
import { tokenize, type Token } from './lexer.js';
import type { Lexicon, Meaning } from './lexicon.js';
import { isPlainRound } from './gist/shapes.js';
import { ringFilled } from './ring.js';
import type { Beginning, Findings, InstructionForm, Placed, Reader } from './reader.js';

/**
 * More words and signs than one round of a toy ever has: several hundred steps. A longer stretch (a text that has lost its
 * line breaks and its labels) is left unread as a whole, since the forms look back over the steps before them.
 */
const MOST_TOKENS = 1200;
/** So many characters of it are told. */
const LONGEST_TOLD = 80;

/** Reads the instruction in a stretch of text. Never throws; what is not understood is in `unread`. */
export function readInstruction(text: string, span: Span, lexicon: Lexicon): Instruction {
  const tokens = wordsOf(text, span, lexicon, MOST_TOKENS + 1);
  const found: Findings = {
    stated: null,
    reference: null,
    statedRounds: null,
    unread: [],
    brackets: [],
    foreign: [],
    remarks: [],
  };
  if (tokens.length > MOST_TOKENS) {
    found.unread.push({ span, text: text.slice(span.from, span.from + LONGEST_TOLD), tooLong: true });
    return { ...found, steps: [] };
  }
  const partner = pairBrackets(tokens, found);
  const context: Context = {
    text,
    tokens,
    partner,
    lexicon,
    found,
    memo: new Array<Placed | null | undefined>(tokens.length),
  };
  const sequence = new Sequence(context, 0, tokens.length, 0, false);
  sequence.run();
  // Into the side of the fabric no words say how many: the round is on trust, whatever else they tell.
  const passed = sequence.steps.some(onSurface) ? found.unread.splice(0) : [];
  found.remarks.push(...passed.map((one) => one.span));
  found.unread.sort((a, b) => a.span.from - b.span.from);
  found.brackets.sort((a, b) => a.span.from - b.span.from);
  const idle = sequence.steps.length === 0 && isIdle(found, tokens, lexicon);
  const why = passed.map((one) => `passed over: "${one.text}"`);
  return {
    ...found,
    steps: ringFilled(text, onceRound(allAround(sequence.steps)), found.stated),
    ...(idle ? { idle } : {}),
    ...(why.length > 0 ? { doubt: { kind: 'passed-over', why } as const } : {}),
  };
}

/** What no instruction is without. */
const OF_WORK: ReadonlySet<Meaning['is']> = new Set([
  'stitch',
  'shaping',
  'increase',
  'decrease',
  'together',
  'magic-ring',
  'skip',
  'times',
  'repeat',
  'around',
  'each',
]);

/** Whether an instruction holds words to the maker alone: neither a figure nor anything that is worked. */
function isIdle(
  { remarks, unread, reference, statedRounds, stated }: Findings,
  tokens: readonly Token[],
  lexicon: Lexicon,
) {
  if (remarks.length === 0 || unread.length > 0 || reference || statedRounds || stated) return false;
  return tokens.every(
    ({ kind }, i) => kind !== 'number' && !OF_WORK.has(lexicon.at(tokens, i)?.meaning.is ?? 'remark'),
  );
}

function onSurface(step: Step): boolean {
  return (step.kind === 'work' || step.kind === 'group') && step.place.kind === 'surface';
}

/** The tokens of a stretch of text, without the words that this hand writes for nothing. */
export function wordsOf(text: string, span: Span, lexicon: Lexicon, most: number): Token[] {
  const tokens = tokenize(text, span, most, lexicon.alphabet);
  if (!lexicon.passes) return tokens;
  const kept: Token[] = [];
  for (let i = 0; i < tokens.length;) {
    const found = lexicon.at(tokens, i);
    const token = tokens[i];
    if (token && found?.meaning.is !== 'aside') kept.push(token);
    i += found?.meaning.is === 'aside' ? found.length : 1;
  }
  return kept;
}

/** "Rnds 6-10 dc": a stitch that is all there is of the instruction is worked all around. */
function allAround(steps: readonly Step[]): readonly Step[] {
  const fabric = steps.filter(({ kind }) => FABRIC.has(kind));
  const alone = fabric[0];
  if (fabric.length !== 1 || alone?.kind !== 'work' || !alone.bare) return steps;
  const around: Work = { ...alone, amount: { kind: 'fill', leave: 0 } };
  return steps.map((step) => (step === alone ? around : step));
}

/** "sc all round, 6 times": six rounds, and in each of them as many stitches as in the one before. */
function onceRound(steps: readonly Step[]): readonly Step[] {
  const only = steps.length === 1 && steps[0]?.kind === 'repeat' ? steps[0] : null;
  const work = only?.body[0];
  if (only?.amount?.kind !== 'times' || only.body.length !== 1 || work?.kind !== 'work') return steps;
  return isPlainRound(work) ? only.body : steps;
}

const FABRIC: ReadonlySet<Step['kind']> = new Set(['work', 'group', 'repeat', 'skip']);

interface Context {
  readonly text: string;
  readonly tokens: readonly Token[];
  readonly partner: readonly number[];
  readonly lexicon: Lexicon;
  readonly found: Findings;
  readonly memo: (Placed | null | undefined)[];
}

/** A run of tokens at one depth of brackets, read from left to right, each token once. */
class Sequence implements Reader {
  readonly steps: Step[] = [];
  readonly #context: Context;

  constructor(
    context: Context,
    readonly start: number,
    readonly end: number,
    readonly depth: number,
    readonly inStar: boolean,
  ) {
    this.#context = context;
  }

  get text(): string {
    return this.#context.text;
  }
  get tokens(): readonly Token[] {
    return this.#context.tokens;
  }
  get partner(): readonly number[] {
    return this.#context.partner;
  }
  get lexicon(): Lexicon {
    return this.#context.lexicon;
  }
  get found(): Findings {
    return this.#context.found;
  }

  lexeme(at: number): Placed | null {
    if (at >= this.end) return null;
    let known = this.#context.memo[at];
    if (known === undefined) {
      const found = this.lexicon.at(this.tokens, at);
      known = found && { meaning: found.meaning, next: at + found.length };
      this.#context.memo[at] = known;
    }
    return known && known.next <= this.end ? known : null;
  }

  sequence(from: number, to: number, inStar: boolean): { steps: Step[]; next: number } {
    const inner = new Sequence(this.#context, from, to, this.depth + 1, inStar);
    return { next: inner.run(), steps: inner.steps };
  }

  run(): number {
    let i = this.start;
    while (i < this.end) {
      const token = this.tokens[i];
      if (!token) break;
      if (this.inStar && this.#endsStar(i, token)) return i;
      const next = this.#passSeparator(i, token) ?? this.#readForm(i) ?? this.#leaveUnread(i);
      i = Math.max(next, i + 1);
    }
    return i;
  }

  /** The second star, or the words that repeat from the first. */
  #endsStar(at: number, token: Token): boolean {
    if (token.kind === 'star') return true;
    return this.lexeme(at)?.meaning.is === 'repeat';
  }

  #passSeparator(at: number, token: Token): number | null {
    if (token.kind === 'mark' && SEPARATORS.has(token.word)) {
      // A dash or colon may begin a count: the forms are asked first.
      if (token.word === '-' || token.word === ':') return null;
      return at + 1;
    }
    const lexeme = this.lexeme(at);
    return lexeme?.meaning.is === 'and' ? lexeme.next : null;
  }

  #readForm(at: number): number | null {
    const { found } = this.#context;
    const { stated, reference, statedRounds } = found;
    const length = this.steps.length;
    const unread = found.unread.length;
    const brackets = found.brackets.length;
    const foreign = found.foreign.length;
    const remarks = found.remarks.length;
    for (const form of formsAt(this.tokens[at], this.lexeme(at))) {
      const next = form.read(this, at);
      if (next !== null && next > at) return next;
      // What a form has found that then does not stand here was not found.
      found.stated = stated;
      found.reference = reference;
      found.statedRounds = statedRounds;
      cut(this.steps, length);
      cut(found.unread, unread);
      cut(found.brackets, brackets);
      cut(found.foreign, foreign);
      cut(found.remarks, remarks);
    }
    const token = this.tokens[at];
    if (token?.kind === 'mark' && (token.word === '-' || token.word === ':' || token.word === '/')) return at + 1;
    return null;
  }

  /** Everything up to the next place where a clause can begin is left unread, with its words. */
  #leaveUnread(at: number): number {
    let i = at + 1;
    const first = this.tokens[at];
    if (first?.kind === 'open' || first?.kind === 'close') {
      const close = closeOf(this, at);
      if (close !== null && close < this.end) i = close + 1;
      // A bracket without a partner has been reported as such.
      if ((this.partner[at] ?? -1) < 0) return i;
    } else if (first?.kind === 'mark' && !/[\p{L}\p{N}$%#@^~]/u.test(first.word)) {
      return i;
    }
    while (i < this.end) {
      const token = this.tokens[i];
      if (!token || (token.kind !== 'word' && token.kind !== 'number' && token.kind !== 'ordinal')) break;
      const meaning = this.lexeme(i)?.meaning.is;
      if (
        meaning === 'stitch' ||
        meaning === 'shaping' ||
        meaning === 'increase' ||
        meaning === 'decrease' ||
        meaning === 'and'
      )
        break;
      if (token.kind === 'number') {
        const after = this.lexeme(i + 1)?.meaning.is;
        if (after === 'stitch' || after === 'shaping' || after === 'increase' || after === 'decrease') break;
      }
      i += 1;
    }
    const last = this.tokens[i - 1];
    if (first && last) {
      const span = { from: first.from, to: last.to };
      this.found.unread.push({ span, text: this.text.slice(span.from, span.to) });
    }
    return i;
  }
}

function cut(list: unknown[], length: number): void {
  if (list.length > length) list.length = length;
}

const FORMS_BY_BEGINNING = new Map<string, readonly InstructionForm[]>();

/** The forms that can begin at a token, in the order of the list of forms. */
function formsAt(token: Token | undefined, lexeme: Placed | null): readonly InstructionForm[] {
  const beginning: Beginning | 'close' =
    lexeme?.meaning.is ?? (token === undefined || token.kind === 'word' ? 'unknown' : token.kind);
  // A number or a mark that also means something ("first", "&", "×") is asked for both.
  const second = lexeme && token && token.kind !== 'word' ? token.kind : beginning;
  const key = `${beginning} ${second}`;
  let forms = FORMS_BY_BEGINNING.get(key);
  if (!forms) {
    forms = FORMS.filter(
      ({ begins }) =>
        (begins as readonly string[]).includes(beginning) || (begins as readonly string[]).includes(second),
    );
    FORMS_BY_BEGINNING.set(key, forms);
  }
  return forms;
}

const SEPARATORS = new Set([',', ';', '.', '!', '?', '-', ':', '"', '“', '”', "'", '’', '‘', '/', '~']);

const SMILES = new Set([':', ';', ':-', ';-']);
const NO_BRACKETS: readonly number[] = [];

/** Pairs the brackets of an instruction by kind; those left alone are reported. Angle brackets count only as pairs. */
function pairBrackets(tokens: readonly Token[], found: Findings): readonly number[] {
  if (!tokens.some(({ kind }) => kind === 'open' || kind === 'close')) return NO_BRACKETS;
  const partner = new Array<number>(tokens.length).fill(-1);
  const open: number[] = [];
  const openOfKind = [0, 0, 0, 0];
  const lost = (index: number, what: BracketProblem['what']) => {
    const token = tokens[index];
    if (token && token.word !== '<' && token.word !== '>') {
      found.brackets.push({ span: { from: token.from, to: token.to }, what, mark: token.word });
    }
  };
  for (let i = 0; i < tokens.length; i += 1) {
    const token = tokens[i];
    if (token?.kind === 'open') {
      open.push(i);
      openOfKind[token.value] = (openOfKind[token.value] ?? 0) + 1;
    } else if (token?.kind === 'close') {
      if ((openOfKind[token.value] ?? 0) === 0) {
        // A smile: ":)", ";-)"
        if (!SMILES.has(tokens[i - 1]?.word ?? '')) lost(i, 'never-opened');
        continue;
      }
      for (;;) {
        const last = open.pop();
        if (last === undefined) break;
        const kind = tokens[last]?.value ?? 0;
        openOfKind[kind] = (openOfKind[kind] ?? 0) - 1;
        if (kind === token.value) {
          partner[last] = i;
          partner[i] = last;
          break;
        }
        lost(last, 'never-closed');
      }
    }
  }
  for (const index of open) lost(index, 'never-closed');
  return partner;
}
