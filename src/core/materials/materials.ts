import type { Span } from '../text/source.js';
import { COLOUR_WORDS } from '../vocabulary/words.js';
import { inEitherCase } from '../text/eitherCase.js';

/** Something that the materials list. */
export interface Material {
  /** A tool is for all of the making; a notion is worked in at one place. */
  readonly kind: 'yarn' | 'hook' | 'eyes' | 'filling' | 'tool' | 'notion';
  /** As the list calls it: "Sand", "3.5 mm", "safety eyes", "felt"; a yarn without a colour by what it is: "worsted yarn". */
  readonly name: string;
  /** "50 g", "two balls", "8 mm": as written; null where none is. */
  readonly amount: string | null;
  /** Where the name stands. */
  readonly span: Span;
}

const NUMBER = String.raw`(?:\d+(?:[.,]\d+)?|an?|one|two|three|four|five|half an?)`;
const UNIT = String.raw`(?:g|gr|grams?|grammes?|oz|ounces?|m|met(?:er|re)s?|yds?|yards?|balls?|skeins?|hanks?)`;
const BIT = String.raw`(?:an? )?(?:scraps?|bit|little|oddments?|small amounts?|leftovers?|few (?:yards|met(?:er|re)s|grams))`;
const AMOUNT = inEitherCase(String.raw`(?<![\p{L}\d])(?:${NUMBER}\s?${UNIT}|${BIT})(?![\p{L}\d])`);
const EACH = /(?<!\p{L})each(?!\p{L})/iu;
const YARN_WORD =
  /(?<!\p{L})(?:yarns?|wool|cotton|acrylic|worsted|aran|dk|double[ -]knitting|chunky|bulky|sport(?: weight)?|fingering|\d[ -]?ply|colou?rs?)(?!\p{L})/iu;
/** What yarns are called by besides their colour. */
const NO_COLOUR = new Set(
  (
    'yarn yarns wool cotton acrylic worsted aran dk double knitting chunky bulky sport fingering ply weight main second third ' +
    'contrast color colour colors colours hook hooks eyes materials material you need supplies what attention caution note ' +
    'stuff fill will american british terms safety toy the size also for with other any some most item amount each both about one two stuffing shopping list'
  ).split(' '),
);
/** "No safety eyes", "no wire": what is not needed. */
const NOT_NEEDED = String.raw`(?<!(?<!\p{L})(?:no|without|instead of) (?:\p{L}+ )?)`;
const MM = /\d{1,2}(?:[.,]\d{1,2})?\s?mm(?!\p{L})/iu;
const HOOK = /(?<!\p{L})hooks?(?!\p{L})/iu;
const HOOK_SIZE = /(?:no\.?|size)\s?[\d.,/A-Z]+|(?<=hook\s)[A-S](?:[/-]\d+)?(?![\p{L}\d])/u;
const EYES = inEitherCase(
  String.raw`(?<![\p{L}-])${NOT_NEEDED}(?:(?:safety|plastic|glass|bead|black|button|toy)\s(?:safety\s)?)?eyes?(?![\p{L}-])`,
);
const FILLING = inEitherCase(
  String.raw`(?<!\p{L})${NOT_NEEDED}(?:(?:toy|polyester)\s)?(?:stuffing|filling|filler|fib(?:er|re)fill|polyfill|wadding|kapok|hollow fib(?:er|re)|cotton wool)(?!\p{L})`,
);
const TOOL =
  /(?<!\p{L})(?:(?!(?:an?|the|one|two|some|little|of|and|or|other|for|back|with|your)\s)\p{L}[\p{L}-]*\s)?(?:needles?|markers?|scissors|pins?|tape measure|floss|thread|glue)(?!\p{L})/iu;
const NOTION = inEitherCase(
  String.raw`(?<!\p{L})${NOT_NEEDED}(?:felt|wire|pipe cleaner|button|bead|ribbon|bell|magnet|rattle|keyring|key ring|cardboard|card|pellet|cord)(?=s?(?!\p{L}))`,
);

/** "Dark brown" is another yarn than "brown". */
const SHADE = /(?<!\p{L})(?:light|dark|pale|bright|deep)[\s-]$/iu;

/** Whether a line lists materials though no heading says so: "aran in Stone, a 5 mm hook, filling". */
export function listsMaterials(line: string): boolean {
  const yarn = YARN_WORD.test(line);
  return (HOOK.test(line) && (yarn || MM.test(line))) || (yarn && AMOUNT.test(line));
}

/** Where one thing ends and the next begins; brackets and figures with a comma are passed over. */
const BETWEEN =
  /\([^)\n]*\)|\d[.,]\d|(?:no|pcs)\.(?=\s)|[,;|•]|\.(?=\s+\p{L}|\s*$)|\s(?:and|&|\+)\s|:(?=\s)|\s[–—-]\s/giu;
const BARE_AMOUNT = /^\W*(?:ca\.?|about|approx\.?|\d x)?\W*$/iu;
/** "Scraps of Snow and Ink": of both. */
const OF_BOTH = /^(?:scraps|oddments|leftovers|small amounts)$/iu;

/** One stretch of a line, between commas. */
interface Piece {
  readonly text: string;
  readonly from: number;
  /** Whether "and" stands before it, and a colon behind it. */
  readonly and: boolean;
  readonly label: boolean;
}

/** A list of materials, read line by line: a yarn that one line names holds for the colours in the next. */
export class MaterialList {
  readonly #found: Material[] = [];
  /** A yarn that has no colour yet. */
  #plain: Material | null = null;
  /** Whether a hook was named, and its size not yet; or a size, and not yet of what. */
  #hook = false;
  #size: Material | null = null;
  #ofYarn = false;
  /** What may be a yarn if an amount follows. */
  #loose: { readonly name: string; readonly at: number } | null = null;

  /** Reads a line. @param from where it stands */
  add(line: string, from: number): void {
    this.#ofYarn = YARN_WORD.test(line);
    this.#loose = null;
    const first = this.#found.length;
    for (const piece of piecesOf(line, from)) this.#piece(piece, first);
  }

  /** What was found, each thing once. */
  all(): Material[] {
    const yarn = this.#plain && !this.#found.some(({ kind }) => kind === 'yarn') ? [this.#plain] : [];
    const sized = this.#found.some(({ kind, amount }) => kind === 'eyes' && amount !== null);
    const known = new Set<string>();
    return [...yarn, ...this.#found].filter(({ kind, name, amount }) => {
      // "Safety eyes are small parts" tells of those that were listed.
      if (kind === 'eyes' && amount === null && sized) return false;
      const key = `${kind} ${name.toLowerCase()}`;
      return !known.has(key) && known.add(key);
    });
  }

  #piece(piece: Piece, first: number): void {
    if (this.#isHook(piece) || this.#isEyes(piece)) return;
    for (const [kind, pattern] of [
      ['notion', NOTION],
      ['filling', FILLING],
      ['tool', TOOL],
    ] as const) {
      const match = pattern.exec(piece.text);
      if (match) {
        this.#note(kind, match[0], null, piece.from + match.index);
        return;
      }
    }
    this.#yarn(piece, first);
  }

  #isHook({ text, from }: Piece): boolean {
    const named = HOOK.test(text);
    const size = MM.exec(text) ?? (named ? HOOK_SIZE.exec(text) : null);
    const found = size && hookOf(size[0], from + size.index);
    if (named) {
      const hook = found ?? this.#size;
      if (hook) this.#found.push(hook);
      this.#hook = !hook;
      this.#size = null;
      return true;
    }
    const bare = size && BARE_AMOUNT.test(text.replace(size[0], '').replace(/\([^)]*\)/g, ''));
    if (!bare || !found || this.#lastIs('eyes')) return false;
    if (this.#hook || this.#found.at(-1)?.kind === 'hook') this.#found.push(found);
    else this.#size = found;
    this.#hook = false;
    return true;
  }

  /** Whether the last thing that was named is of a kind, and has no amount yet. */
  #lastIs(kind: Material['kind']): boolean {
    const last = this.#found.at(-1);
    return last?.kind === kind && last.amount === null;
  }

  #isEyes({ text, from }: Piece): boolean {
    const eyes = EYES.exec(text);
    const size = MM.exec(text)?.[0] ?? null;
    if (eyes) this.#note('eyes', eyes[0], size, from + eyes.index);
    else if (size !== null && this.#lastIs('eyes')) this.#give(size);
    else return false;
    return true;
  }

  #yarn(piece: Piece, first: number): void {
    const amount = AMOUNT.exec(piece.text)?.[0] ?? null;
    this.#colour(piece, amount);
    if (amount !== null && EACH.test(piece.text)) this.#giveEach(first, amount);
  }

  #colour(piece: Piece, amount: string | null): void {
    const rest = piece.text.replace(amount ?? '', (all) => ' '.repeat(all.length));
    const colour = colourIn(rest, this.#ofYarn && amount !== null);
    const loose = this.#loose;
    this.#loose = null;
    if (colour && (amount !== null || (this.#ofYarn && !piece.label)))
      this.#note('yarn', colour.name, amount ?? this.#ofBoth(piece), piece.from + colour.at);
    else if (YARN_WORD.test(piece.text)) this.#plain ??= plainYarn(rest, amount, piece.from);
    else if (amount === null) this.#loose = colour && { name: colour.name, at: piece.from + colour.at };
    else if (loose) this.#note('yarn', loose.name, amount, loose.at);
    else if (this.#lastIs('yarn')) this.#give(amount);
  }

  /** The amount that stands before "and", where it is of both. */
  #ofBoth({ and }: Piece): string | null {
    const amount = and ? (this.#found.at(-1)?.amount ?? '') : '';
    return OF_BOTH.test(amount) ? amount : null;
  }

  #note(kind: Material['kind'], name: string, amount: string | null, from: number): void {
    this.#found.push({ kind, name, amount, span: spanOf(name, from) });
  }

  /** Gives the last thing its amount. */
  #give(amount: string): void {
    const last = this.#found.pop();
    if (last) this.#found.push({ ...last, amount });
  }

  /** Gives the yarns of a line that have no amount this one. */
  #giveEach(first: number, amount: string): void {
    const line = this.#found.splice(first);
    this.#found.push(...line.map((one) => (one.kind === 'yarn' && one.amount === null ? { ...one, amount } : one)));
  }
}

function hookOf(name: string, from: number): Material {
  return { kind: 'hook', name, amount: null, span: spanOf(name, from) };
}

/** A yarn without a colour, by what it is. */
function plainYarn(text: string, amount: string | null, from: number): Material | null {
  const found = /(?:[\p{L}\d-]+\s)?(?:yarns?|wool|cotton|acrylic)/iu.exec(text) ?? /[\p{L}-]+/u.exec(text);
  return found && { kind: 'yarn', name: found[0], amount, span: spanOf(found[0], from + found.index) };
}

const spanOf = (name: string, from: number): Span => ({ from, to: from + name.length });

function* piecesOf(line: string, from: number): Iterable<Piece> {
  let start = 0;
  let and = false;
  for (const { 0: found, index } of line.matchAll(BETWEEN)) {
    if (/^[(\d\p{L}]/u.test(found)) continue;
    if (index > start) yield { text: line.slice(start, index), from: from + start, and, label: found === ':' };
    start = index + found.length;
    and = /and|&|\+/i.test(found);
  }
  if (line.slice(start).trim() !== '') yield { text: line.slice(start), from: from + start, and, label: false };
}

/** The name of a colour: words with a capital, or the usual words for colours; else, where `any`, what is left. */
function colourIn(text: string, any: boolean): { name: string; at: number } | null {
  const said = text.replace(/\([^)]*\)/g, (all) => ' '.repeat(all.length));
  const isName = (word: string) =>
    !word
      .toLowerCase()
      .split('-')
      .every((part) => NO_COLOUR.has(part));
  const runs = [...said.matchAll(/\p{Lu}[\p{L}'’-]{2,}(?:\s\p{Lu}[\p{L}'’-]+)*/gu)];
  for (const { 0: run, index } of runs.reverse()) {
    const words = [...run.matchAll(/\S+/g)].filter(([word]) => isName(word));
    const [head, tail] = [words[0], words.at(-1)];
    if (head && tail) return { name: run.slice(head.index, tail.index + tail[0].length), at: index + head.index };
  }
  const words = [...said.matchAll(/\p{L}{3,}/gu)].filter(([word]) => isName(word));
  const colours = words.filter(([word]) => COLOUR_WORDS.has(word.toLowerCase()));
  const taken = colours.length > 0 ? colours : any && words.length === 1 ? words : [];
  const word = taken.at(-1);
  if (!word) return null;
  const shade = SHADE.exec(said.slice(0, word.index))?.[0] ?? '';
  return { name: shade + word[0], at: word.index - shade.length };
}
