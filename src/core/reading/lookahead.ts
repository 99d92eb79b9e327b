import { lineIndexAt, lineSpan, type SourceText } from '../text/source.js';
import {
  headingByLook,
  headingByPlace,
  headingOfPart,
  headingWithLead,
  headingWithMore,
  namesPart,
  type Heading,
} from './headings.js';
import type { InstructionReader } from './again.js';
import type { Units } from './page/unit.js';
import type { Label } from './labels.js';
import { chainStartIn } from './starts.js';
import { traitsOf, type LineTraits } from './traits.js';

/** "(x2)" at the end of a heading is no amount of stitches. */
const SEVERAL = /[(\[]\s*(?:[x×]\s?\d+|\d+\s?[x×])\s*[)\]]\s*:?\s*$/iu;
const BEGINS_RING = /magic (?:ring|circle|loop)|adjustable (?:ring|loop)|(?<!\p{L})mr(?!\p{L})/iu;

/**
 * What a line is, seen together with the lines below it. Looks a few lines ahead and never further, so that a line is
 * looked at from several places above it: what it is by itself is found out once.
 */
export class Lookahead {
  readonly #source: SourceText;
  readonly #instructions: InstructionReader;
  readonly #labels: (readonly Label[])[] = [];
  readonly #looks: (Heading | null)[] = [];

  constructor(source: SourceText, instructions: InstructionReader, units: Units) {
    this.#source = source;
    this.#instructions = instructions;
    for (const { label } of units.units) this.#labels[lineIndexAt(source, label.span.from)] = [label];
  }

  /** The labels of a line, those without a word among them. */
  labelsOf(line: number): readonly Label[] {
    return (this.#labels[line] ??= this.#instructions.labels(this.#source.text, lineSpan(this.#source, line), true));
  }

  /** What a line shows by its own words. */
  traitsOf(line: string): LineTraits {
    return this.#source.remember(line, traitsOf);
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
    const { namesNone, saysPart, orders, finishes, numbered, ...traits } = this.traitsOf(text);
    // "part: wing" needs no blank line to be one.
    const afterBlank = blankAbove || saysPart;
    if (namesNone) return null;
    const look = this.lookOf(index);
    const ordered = look?.level === 0 && (look.saysMake ? finishes : orders && look.section === null);
    // "EYES x 2" with rounds below is a piece, and no list of what is needed.
    if (look?.section && look.saysMake && this.roundsFollow(index)) return { ...look, section: null };
    const isOneOf = look !== null && numbered && this.nextLabel(index) !== null;
    if (look && !ordered && (look.level > 0 || afterBlank || look.section || isOneOf || this.roundsFollow(index))) {
      const known =
        look.level === 0 &&
        !(look.saysMake && !traits.countAtEnd) &&
        this.#instructions.begins(text.replace(SEVERAL, '').slice(Math.max(0, text.search(/[\p{L}\d]/u))));
      if (!known) return look;
    }
    // Without a blank line before it or a colon behind it, only a line with a capital can be one.
    if (!afterBlank && !traits.endsInColon && !traits.capital) return null;
    // "Lid." right above the first round of the next piece.
    const below = traits.short && afterBlank ? this.nextLabel(index) : null;
    const named = this.#source.remember(
      below?.lines === 0 && below.label.from === 1 ? text.trimEnd().slice(0, -1) : text,
      headingByPlace,
    );
    // "sc in each (12)" is an instruction, and "Ears (2)" a heading.
    const works = named !== null && (named.saysMake || /\d/.test(text)) && this.#instructions.begins(text);
    // "Four pieces" names none.
    const place = works || named?.name === '' ? null : named;
    if (!place) {
      const leading = this.#source.remember(text, headingWithLead);
      if (leading && !leading.section && (this.#firstBelow(index) || this.#tellsOther(leading.rest))) return leading;
      const part = traits.countAtEnd || orders ? null : this.#source.remember(text, headingOfPart);
      if (part && this.#begins(part, index)) return part;
      return afterBlank && !traits.countAtEnd ? this.#withMore(text, index) : null;
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
      return afterBlank || traits.endsInColon ? place : null;
    }
    if (afterBlank || traits.endsInColon) return this.roundsFollow(index) ? place : null;
    // "Right ear" between the last round of the left one and its own first, "Body" where the number goes on.
    const next = this.nextLabel(index);
    if (!next || orders || !traits.capital) return null;
    const near = next.lines === 0 || place.saysMake || (next.lines === 1 && this.#startsBelow(index));
    const first = next.label.from === 1 && near;
    return first || (next.lines === 0 && namesPart(place.name)) ? place : null;
  }

  #withMore(text: string, index: number): Heading | null {
    const more = this.#source.remember(text, headingWithMore);
    return more && this.#firstBelow(index) ? more : null;
  }

  /** Whether a first round stands right below a line. */
  #firstBelow(index: number): boolean {
    const below = this.nextLabel(index);
    return below?.lines === 0 && below.label.from === 1;
  }

  /** "Work as Body to end of 5th round.": words that tell rounds of another piece. */
  #tellsOther(words: string): boolean {
    const { reference, unread } = this.#instructions.alone(words);
    return reference !== null && unread.length === 0;
  }

  /** Whether a part begins below a line: with its first round, or with any where the line is its name alone. */
  #begins({ name, rest }: Heading, index: number): boolean {
    const next = this.nextLabel(index);
    if (!next || next.lines > 1) return false;
    const below = lineSpan(this.#source, index + 1);
    if (this.traitsOf(this.#source.text.slice(below.from, Math.min(below.to, below.from + 200))).likeOther) return true;
    if (next.label.from === 1 || (next.label.from === 2 && this.roundsFollow(index))) return true;
    return next.lines === 0 && rest.trim() === '' && !name.includes(' ');
  }

  /** "Head", and below it "Make a magic ring." or "Ch 6." before the first round. */
  #startsBelow(index: number): boolean {
    const { from, to } = lineSpan(this.#source, index + 1);
    const text = this.#source.text.slice(from, Math.min(to, from + 200));
    return chainStartIn(text, this.#instructions.lexicon.compact) !== null || BEGINS_RING.test(text);
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
      const { inRing, likeOther, countAtEnd } = this.traitsOf(text);
      ring ||= inRing;
      // "Work as Case to end of 5th rnd."
      if (seen === 1 && likeOther) return true;
      if (chainStartIn(text, this.#instructions.lexicon.compact)) return true;
      if (seen === 1 && countAtEnd && this.#instructions.begins(text)) return true;
      if (this.lookOf(line)) return false;
    }
    return false;
  }
}
