import { lineIndexAt, lineSpan, type SourceText } from '../text/source.js';
import {
  headingByLook,
  headingByPlace,
  headingOfPart,
  headingWithLead,
  headingWithMore,
  namesPart,
  onlyCell,
  type Heading,
} from './headings.js';
import type { Units } from './page/unit.js';
import { beginsInstruction, labelsIn, type Label } from './labels.js';
import type { Lexicon } from './lexicon.js';
import { chainStartIn } from './starts.js';

/** "(x2)" at the end of a heading is no amount of stitches. */
const SEVERAL = /[(\[]\s*(?:[x×]\s?\d+|\d+\s?[x×])\s*[)\]]\s*:?\s*$/iu;
/** The stitches of a first round that has no label. */
export const IN_RING = /\d[^.]{0,30}(?<!\p{L})(?:ring|circle|loop|mr)(?!\p{L})/iu;
/** "Rnd | Instruction | Sts": the names of columns. */
export const HEADS_TABLE = /^[^#|]*\|[^|]*\p{L}[^|]*\||^\p{L}[^\t]*\t[^\t]*\p{L}[^\t]*\t/u;
/** A line that ends with its count: the instruction is complete. */
export const COUNT_AT_END =
  /(?:[.,;|]\s+\d{1,4}|\/\s?\d{1,4}|[([{<]\s*[^()[\]{}<>\n]{0,60}?\d[^()[\]{}<>\n]{0,40}[)\]}>]|(?:[=–—→]|->)\s*\d+\s*\p{L}*|-\s+\d+(?:\s*\p{L}+)?|\d+\s*(?:sts?|stitch(?:es)?))[\s.*_|]*$/u;
/** First words of a line that tells the maker to do something. */
const ORDERS =
  /^\W{0,3}(?:fasten|stuff|cut|change|fill|insert|sew|place|put|attach|join|turn|do|repeat|continue|work|weave|finish|leave|now|then|add|shape|shaping|divide)(?!\p{L})/iu;
/** Of these the ones that name no piece, however many are spoken of: "Stuff with the rattle in one of them". */
const FINISHES = /^\W{0,3}(?:fasten|stuff|fill|insert|sew|weave|embroider|cut|close)(?!\p{L})/iu;
/** "Work as for Left leg", "Work Rnds 1-4 as for left leg". */
const LIKE_OTHER =
  /^\W{0,3}(?:work |make |crochet )?(?:r(?:nd|d|ow|ound)?s?\.?\s?\d[\d –—-]{0,6}\s?)?(?:the same |same |exactly )?(?:as|like) (?:for )?\p{L}/iu;
const BEGINS_RING = /magic (?:ring|circle|loop)|adjustable (?:ring|loop)|(?<!\p{L})mr(?!\p{L})/iu;
/** "LEG 1", "SECOND LEG": one of several, which may go on from the round before. */
const NUMBERED = /^\W{0,4}(?:\p{L}{3,}\s+(?:\d|one|two)|(?:first|second|third|left|right|other)\s+\p{L}+)\W{0,4}$/iu;
/** "US terms", "British crochet terminology": said of all parts, and the name of none. */
const STATES_TERMS =
  /^\W{0,4}(?:(?:all |written )?in |using )?(?:us|u\.s\.|usa|uk|u\.k\.|american|british)\s+(?:crochet\s+)?(?:terms|terminology|abbreviations)\W*$/iu;
/** "Part: wing" */
const SAYS_PART = /^\W{0,4}(?:part|piece)\s*[:=]/iu;

/**
 * What a line is, seen together with the lines below it. Looks a few lines ahead and never further, so that a line is
 * looked at from several places above it: what it is by itself is found out once.
 */
export class Lookahead {
  readonly #source: SourceText;
  readonly #lexicon: Lexicon;
  readonly #labels: (readonly Label[])[] = [];
  readonly #looks: (Heading | null)[] = [];

  constructor(source: SourceText, lexicon: Lexicon, units: Units) {
    this.#source = source;
    this.#lexicon = lexicon;
    for (const { label } of units.units) this.#labels[lineIndexAt(source, label.span.from)] = [label];
  }

  /** The labels of a line, those without a word among them. */
  labelsOf(line: number): readonly Label[] {
    return (this.#labels[line] ??= labelsIn(this.#source.text, lineSpan(this.#source, line), {
      lexicon: this.#lexicon,
      bare: true,
    }));
  }

  /** The heading that a line is by its own look. */
  lookOf(line: number): Heading | null {
    const known = this.#looks[line];
    if (known !== undefined) return known;
    const { from, to } = lineSpan(this.#source, line);
    return (this.#looks[line] = this.#source.remember(
      this.#source.text.slice(from, Math.min(to, from + 400)),
      headingByLook,
    ));
  }

  /** The heading that a line is; null where it is none. */
  headingAt(index: number, text: string, blankAbove: boolean): Heading | null {
    // "part: wing" needs no blank line to be one.
    const afterBlank = blankAbove || SAYS_PART.test(text);
    if (STATES_TERMS.test(text) || (HEADS_TABLE.test(text) && onlyCell(text) === text)) return null;
    const look = this.lookOf(index);
    const ordered = look?.section === null && look.level === 0 && (look.saysMake ? FINISHES : ORDERS).test(text);
    // "EYES x 2" with rounds below is a piece, and no list of what is needed.
    if (look?.section && look.saysMake && this.roundsFollow(index)) return { ...look, section: null };
    const numbered = look !== null && NUMBERED.test(text) && this.nextLabel(index) !== null;
    if (look && !ordered && (look.level > 0 || afterBlank || look.section || numbered || this.roundsFollow(index))) {
      const start = text.search(/[\p{L}\d]/u);
      const from = (this.#source.lineStarts[index] ?? 0) + Math.max(0, start);
      const known =
        look.level === 0 &&
        !(look.saysMake && !COUNT_AT_END.test(text)) &&
        beginsInstruction(
          this.#source.text,
          from,
          from + text.replace(SEVERAL, '').length - Math.max(0, start),
          this.#lexicon,
        );
      if (!known) return look;
    }
    // Without a blank line before it or a colon behind it, only a line with a capital can be one.
    if (!afterBlank && !text.trimEnd().endsWith(':') && !/^\s*\p{Lu}/u.test(text)) return null;
    // "Lid." right above the first round of the next piece.
    const short = /^\s*\p{Lu}\p{L}+(?: \p{L}+)?\.\s*$/u.test(text) && !ORDERS.test(text);
    const below = short && afterBlank ? this.nextLabel(index) : null;
    const named = headingByPlace(below?.lines === 0 && below.label.from === 1 ? text.trimEnd().slice(0, -1) : text);
    // "sc in each (12)" is an instruction, and "Ears (2)" a heading.
    const works =
      named !== null &&
      (named.saysMake || /\d/.test(text)) &&
      beginsInstruction(
        this.#source.text,
        this.#source.lineStarts[index] ?? 0,
        (this.#source.lineStarts[index] ?? 0) + text.length,
        this.#lexicon,
      );
    // "Four pieces" names none.
    const place = works || named?.name === '' ? null : named;
    if (!place) {
      const leading = headingWithLead(text);
      const first = leading && !leading.section ? this.nextLabel(index) : null;
      if (first?.lines === 0 && first.label.from === 1) return leading;
      const part = COUNT_AT_END.test(text) || ORDERS.test(text) ? null : headingOfPart(text);
      if (part && this.#begins(part, index)) return part;
      return afterBlank && !COUNT_AT_END.test(text) ? this.#withMore(text, index) : null;
    }
    if (place.section) {
      // "Eyes (2)" above "Using white, 2 ch."
      if (place.saysMake && this.roundsFollow(index)) return { ...place, section: null };
      const next = this.nextLabel(index);
      // "Joining the legs" with its rounds right below is a part.
      if (next?.lines === 0 && place.section === 'assembly' && next.label.kind !== null)
        return { ...place, section: null };
      if (next?.lines === 0 && place.section === 'materials' && next.label.from === 1)
        return { ...place, section: null };
      return afterBlank || /:$/.test(text.trim()) ? place : null;
    }
    if (afterBlank || /:$/.test(text.trim())) return this.roundsFollow(index) ? place : null;
    // "Right ear" between the last round of the left one and its own first, "Body" where the number goes on.
    const next = this.nextLabel(index);
    if (!next || ORDERS.test(text) || !/^\p{Lu}/u.test(text.trim())) return null;
    const near = next.lines === 0 || place.saysMake || (next.lines === 1 && this.#startsBelow(index));
    const first = next.label.from === 1 && near;
    return first || (next.lines === 0 && namesPart(place.name)) ? place : null;
  }

  #withMore(text: string, index: number): Heading | null {
    const more = headingWithMore(text);
    const below = more ? this.nextLabel(index) : null;
    return below?.lines === 0 && below.label.from === 1 ? more : null;
  }

  /** Whether a part begins below a line: with its first round, or with any where the line is its name alone. */
  #begins({ name, rest }: Heading, index: number): boolean {
    const next = this.nextLabel(index);
    if (!next || next.lines > 1) return false;
    const below = lineSpan(this.#source, index + 1);
    if (LIKE_OTHER.test(this.#source.text.slice(below.from, Math.min(below.to, below.from + 200)))) return true;
    if (next.label.from === 1 || (next.label.from === 2 && this.roundsFollow(index))) return true;
    return next.lines === 0 && rest.trim() === '' && !name.includes(' ');
  }

  /** "Head", and below it "Make a magic ring." or "Ch 6." before the first round. */
  #startsBelow(index: number): boolean {
    const { from, to } = lineSpan(this.#source, index + 1);
    const text = this.#source.text.slice(from, Math.min(to, from + 200));
    return chainStartIn(text, this.#lexicon.compact) !== null || BEGINS_RING.test(text);
  }

  /** The first label within the next few lines, with how many lines of text lie before it. */
  nextLabel(index: number): { label: Label; lines: number } | null {
    let lines = 0;
    for (let line = index + 1; line < this.#source.lineStarts.length && line < index + 9 && lines < 4; line += 1) {
      const span = lineSpan(this.#source, line);
      if (this.#source.text.slice(span.from, Math.min(span.to, span.from + 200)).trim() === '') continue;
      const label = this.labelsOf(line)[0];
      if (label) return { label, lines };
      lines += 1;
    }
    return null;
  }

  /** Whether a first round, or a chain to begin with, stands within the next few lines. */
  roundsFollow(index: number): boolean {
    let seen = 0;
    let ring = false;
    for (let line = index + 1; line < this.#source.lineStarts.length && line < index + 9 && seen < 4; line += 1) {
      const span = lineSpan(this.#source, line);
      const text = this.#source.text.slice(span.from, Math.min(span.to, span.from + 200));
      if (text.trim() === '') continue;
      seen += 1;
      const first = this.labelsOf(line)[0];
      if (first) return first.from <= 1 || seen === 1 || (ring && first.from === 2);
      ring ||= IN_RING.test(text);
      // "Work as Case to end of 5th rnd."
      if (seen === 1 && LIKE_OTHER.test(text)) return true;
      if (chainStartIn(text, this.#lexicon.compact)) return true;
      if (
        seen === 1 &&
        COUNT_AT_END.test(text) &&
        beginsInstruction(this.#source.text, span.from, span.to, this.#lexicon)
      )
        return true;
      if (this.lookOf(line)) return false;
    }
    return false;
  }
}
