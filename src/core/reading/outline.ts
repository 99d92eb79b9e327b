import type { Instruction, Part, Passage, RoundReference, Section } from '../pattern/pattern.js';
import { lineIndexAt, lineSpan, type SourceText, type Span } from '../text/source.js';
import type { SectionKind } from '../vocabulary/sections.js';
import type { InstructionReader } from './again.js';
import { saysTerms, withoutTerms } from './detect.js';
import { NO_INSTRUCTION } from './gist/gist.js';
import type { LineRole } from './hand.js';
import { BEGINS_IN_CHAIN, inlineSection, namesPart, type Heading } from './headings.js';
import { contentStart, type Label } from './labels.js';
import type { Lexicon } from './lexicon.js';
import { Lookahead } from './lookahead.js';
import { instructionOf } from './page/columns.js';
import { bestName, nameIn, TELLS_HOW } from './page/parts.js';
import { NO_UNITS, type Unit, type Units } from './page/unit.js';
import { Passages } from './passages.js';
import { Pieces, type Beginning } from './pieces.js';
import { headingSaid, NO_ROLES, sectionOfRole, withSaid, type Roles } from './roles.js';
import { foldIn, roundOf, type OpenRound } from './rounds.js';
import { saidBefore } from './starts.js';
import { HEADS_TABLE } from './traits.js';
import { UnlabelledRounds, type UnlabelledRound } from './unlabelled.js';
import { goesOnFrom } from './wrapped.js';
import { Yarns } from './yarns.js';

/** The parts of a text with their rounds read, its sections, and all that is neither. */
export interface Outline {
  readonly title: string | null;
  readonly parts: readonly Part[];
  readonly sections: readonly Section[];
  readonly passages: readonly Passage[];
}

const FIRST_RING = /^\W{0,4}0?1[.):]\s.*(?<!\p{L})(?:ring|circle|loop|mr)(?!\p{L})/iu;
/** "(6 dc). Break off": what closes the bracket of a count. */
const ENDS_COUNT = /^[^()[\]{}\n]{0,20}[)\]}][\s.;,]*/u;

const LONGEST_NAME = 40;
/** How much a line that is said in passing must look like a name. */
const NAMES = 3;
/** "Just like the first leg", "Work as for right arm" */
const LIKE_OTHER =
  /^\W*(?:(?:just|exactly|work(?:ed)?|made?|make|crochet) )*(?:like|same as|as for|as) (?:the )?\p{L}{3}/iu;
/** Finds parts and rounds, in one pass over the lines. */
export function outlineOf(
  source: SourceText,
  instructions: InstructionReader,
  units: Units = NO_UNITS,
  roles: Roles = NO_ROLES,
): Outline {
  return new Outliner(source, instructions, units, roles).run();
}

class Outliner {
  readonly #source: SourceText;
  readonly #lexicon: Lexicon;
  readonly #units: Units;
  readonly #roles: Roles;
  /** The units that begin in a line, and the lines that one goes on in. */
  readonly #unitsIn = new Map<number, Unit[]>();
  readonly #covered = new Set<number>();
  readonly #pieces = new Pieces();
  #section: SectionKind | 'part' | null = null;
  #pending: { heading: Heading; span: Span } | null = null;
  /** Undefined until a line could be one. */
  #title: string | null | undefined;
  #titleFrom = -1;
  #open: OpenRound | null = null;
  /** Prose since the last round: where starts, free loops and names of edgings are told. */
  #prose: Span | null = null;
  /** Words before the round being read that say it goes through both layers. */
  #flat: Span | null = null;
  #afterBlank = true;
  /** The piece that a column names. */
  #column = '';
  readonly #yarns = new Yarns();
  readonly #ahead: Lookahead;
  readonly #instructions: InstructionReader;
  readonly #rounds: UnlabelledRounds;
  readonly #passages = new Passages();

  constructor(source: SourceText, instructions: InstructionReader, units: Units, roles: Roles) {
    this.#source = source;
    this.#roles = roles;
    this.#lexicon = instructions.lexicon;
    this.#units = units;
    for (const unit of units.units) {
      const line = lineIndexAt(source, unit.span.from);
      if (!isRound(this.#roleOf(line))) continue;
      this.#unitsIn.set(line, [...(this.#unitsIn.get(line) ?? []), unit]);
      const last = lineIndexAt(source, Math.max(unit.span.from, unit.span.to - 1));
      for (let below = line; below <= last; below += 1) this.#covered.add(below);
    }
    this.#ahead = new Lookahead(source, instructions, units);
    this.#instructions = instructions;
    this.#rounds = new UnlabelledRounds(source, instructions, this.#ahead, this.#pieces, this.#yarns);
  }

  run(): Outline {
    const count = this.#source.lineStarts.length;
    for (let line = 0; line < count; line += 1) this.#line(line);
    this.#close();
    // A table may grow from the bottom.
    const finished = this.#pieces.finished(this.#source, this.#units.upwards);
    return {
      title: this.#roles.title ?? this.#title ?? null,
      parts: [...finished.values()],
      sections: this.#passages.sections,
      passages: this.#passages.finished(finished),
    };
  }

  #line(index: number): void {
    const span = lineSpan(this.#source, index);
    const text = this.#source.text.slice(span.from, Math.min(span.to, span.from + 400));
    if (text.trim() === '') {
      if (this.#open && this.#open.to > this.#open.bodyFrom) this.#close();
      this.#afterBlank = true;
      return;
    }
    const afterBlank = this.#afterBlank;
    this.#afterBlank = false;
    if (this.#said(index, span, text)) return;
    if (this.#unitsIn.has(index) || this.#covered.has(index)) {
      this.#unitLine(index, span);
      return;
    }
    const labels =
      this.#units.units.length === 0 && this.#bareLabelsStand(text)
        ? this.#ahead.labelsOf(index)
        : this.#instructions.labels(this.#source.text, span, false);
    if (labels.length > 0) {
      this.#labels(labels, span);
      return;
    }
    if (this.#title === undefined) {
      this.#title = titleIn(text);
      this.#titleFrom = span.from;
    }
    const last = this.#open?.label?.to ?? this.#pieces.lastRound?.to ?? 0;
    const plain = this.#section === 'part' ? this.#rounds.plainRounds(index, span, text, last) : null;
    if (plain) {
      this.#labels([plain.label], plain.words);
      return;
    }
    if (this.#open && this.#continues(this.#open, index, text)) {
      this.#open.to = span.to;
      return;
    }
    const heading = this.#headingAt(index, text, afterBlank);
    // "Glass, in D" is no yarn, though there is one that is called so.
    const yarn = heading?.level === 0 && !heading.saysMake && !/, (?:in|with) \S/iu.test(text);
    if (heading && !(yarn && this.#leadsYarn(heading.name, index))) {
      this.#heading(heading, span);
      this.#runsOn(heading, span);
      return;
    }
    this.#inlineSection(index, text, span);
    if (!this.#unlabelled(index, span, text)) this.#addProse(span);
  }

  /** "THE HEAD.—Work as Body to end of 5th round.": the rounds of another piece, behind a name. */
  #runsOn({ rest }: Heading, { from, to }: Span): void {
    const bodyFrom = to - rest.length;
    if (rest.length > to - from || !this.#rounds.tellsEarlier(rest)) return;
    this.#begin(null);
    this.#open = { label: null, from: bodyFrom, bodyFrom, to };
  }

  /** A round that no label tells. */
  #unlabelled(index: number, span: Span, text: string): boolean {
    const worked = this.#units.units.length > 0;
    const like = !worked || !this.#pending ? null : this.#rounds.likeOther(span, text);
    if (like) {
      this.#begin(like.label);
      const open = { label: like.label, from: span.from, bodyFrom: span.from, to: span.to };
      this.#add(open, { ...NO_INSTRUCTION, reference: like.reference });
      return true;
    }
    if (worked && this.#pieces.part === null) return false;
    const headed = this.#pending !== null;
    // A title is no name of this piece.
    const titled = this.#pieces.part === null && this.#pending?.span.from === this.#titleFrom;
    if ((!headed || titled) && this.#first(this.#rounds.chainPiece(span, text))) return true;
    const before = { section: this.#section, headed, open: this.#open?.label?.numbers ?? [] };
    const round = this.#rounds.inLine(index, span, text, before);
    if (!round) return this.#first(this.#rounds.pieceInLine(span, text, this.#section));
    this.#close();
    this.#begin(null);
    this.#open = round;
    return true;
  }

  /** Takes a line for a whole round, and what stands in front of it for the name of its piece. */
  #first(found: UnlabelledRound | null): boolean {
    if (!found) return false;
    if (found.named) this.#heading(found.named.heading, found.named.span);
    this.#begin(null);
    this.#open = found.round;
    this.#close();
    return true;
  }

  /** What is said that a line is. */
  #roleOf(index: number): LineRole | undefined {
    return this.#roles.lines.get(this.#source.lineStarts[index] ?? -1);
  }

  /** A line that somebody has said the role of, as far as that settles it: a round with a label is read like all others. */
  #said(index: number, span: Span, text: string): boolean {
    const role = this.#roleOf(index);
    const section = sectionOfRole(role);
    if (section) {
      this.#close();
      this.#pending = null;
      if (this.#section === section) this.#addProse(span);
      else this.#beginSection(section, span, span);
      return true;
    }
    if (role === 'heading') {
      this.#heading(headingSaid(text), span);
      return true;
    }
    if (role !== 'round' || this.#unitsIn.has(index)) return false;
    const labels = this.#instructions.labels(this.#source.text, span, true);
    if (labels.length > 0) this.#labels(labels, span);
    else {
      this.#close();
      this.#begin(null);
      const bodyFrom = contentStart(this.#source.text, span.from, span.to);
      this.#open = { label: null, from: bodyFrom, bodyFrom, to: span.to };
    }
    return true;
  }

  /** The heading that a line is; where the layout has been worked out, only what it takes for one, and names of sections. */
  #headingAt(index: number, text: string, afterBlank: boolean): Heading | null {
    const named = this.#units.headings.get(index);
    if (named) return named;
    const heading = this.#ahead.headingAt(index, text, afterBlank);
    if (!heading || heading.section || this.#units.units.length === 0) return heading;
    // "Beak. With yellow make a ring." above its first round.
    const first = namesPart(heading.name) && this.#ahead.nextLabel(index)?.label.from === 1;
    return first || this.#pieceBelow(index) || this.#rounds.tellsEarlier(heading.rest) ? heading : null;
  }

  /** Whether the line below tells a piece that has no numbers: in a chain, or like another. */
  #pieceBelow(index: number): boolean {
    const from = this.#source.lineStarts[index + 1] ?? this.#source.text.length;
    const below = this.#source.text.slice(from, from + 60).split('\n', 1)[0] ?? '';
    if (BEGINS_IN_CHAIN.test(below) || LIKE_OTHER.test(below)) return true;
    // In words of its own: "C21, miss 1, D in each".
    const first = this.#instructions.alone(below).steps[0];
    return first?.kind === 'chain' && first.count > 2;
  }

  /** A line that holds rounds, as the series of the text show it, or goes on from one. */
  #unitLine(index: number, line: Span): void {
    const units = this.#unitsIn.get(index) ?? [];
    const first = units[0];
    const before = this.#open?.to ?? 0;
    this.#close();
    const begins = first ? Math.min(first.label.span.from, first.body.from, first.stated?.span.from ?? Infinity) : 0;
    if (first && begins > contentStart(this.#source.text, line.from, line.to) && line.from >= before) {
      const lead = { from: line.from, to: begins };
      const heading = first.label.from === 1 ? this.#leadName(lead) : null;
      if (heading) this.#heading(heading, lead);
      else this.#addProse(lead);
    }
    for (const unit of units) this.#unit(unit);
  }

  /** "Body, black. Ring with 6": the name of a piece before its first round. */
  #leadName({ from, to }: Span): Heading | null {
    const words = this.#source.text.slice(from, to);
    return words.trim().length <= LONGEST_NAME && /[.:]\s*$/u.test(words) && !TELLS_HOW.test(words)
      ? nameIn(words.trim())
      : null;
  }

  #unit(unit: Unit): void {
    const { label, body, stated, span, part } = unit;
    if (part !== undefined && part !== this.#column) {
      this.#column = part;
      const heading = nameIn(part);
      const from = Math.max(span.from, this.#source.text.indexOf(part, span.from));
      if (heading) this.#heading(heading, { from, to: from + part.length });
    }
    this.#begin(label);
    this.#open = { label, from: span.from, bodyFrom: body.from, to: Math.max(body.to, body.from), stated, unit };
    this.#close();
    this.#talkBehind(Math.max(body.to, stated?.span.to ?? 0), span.to);
  }

  /** "(6 dc). Break off": what a unit says behind its instruction and its count. */
  #talkBehind(count: number, to: number): void {
    const from = count + (ENDS_COUNT.exec(this.#source.text.slice(count, to))?.[0].length ?? 0);
    if (/\p{L}{3}/u.test(this.#source.text.slice(from, to))) this.#addProse({ from, to });
  }

  /** "5." is a round where rounds may stand, and the number of a step in the sewing instructions. */
  #bareLabelsStand(text: string): boolean {
    if (this.#section === 'assembly') return false;
    // Behind a list without a heading of its own a ring begins the first piece.
    return this.#section === null || this.#section === 'part' || this.#section === 'gauge' || FIRST_RING.test(text);
  }

  #labels(labels: readonly Label[], line: Span): void {
    labels.forEach((label, i) => {
      this.#close();
      if (i === 0 && label.span.from > contentStart(this.#source.text, line.from, line.to)) {
        this.#lead({ from: line.from, to: label.span.from }, label);
      }
      this.#begin(label);
      const to = labels[i + 1]?.span.from ?? line.to;
      const numbered = label.next === undefined ? label : this.#numbered(label, label.next);
      this.#open = { label: numbered, from: label.span.from, bodyFrom: Math.min(label.bodyFrom, to), to };
    });
  }

  /** What stands on a line before its first label: the name of a piece, words, or a first round without a label. */
  #lead(lead: Span, label: Label): void {
    const words = this.#source.text.slice(lead.from, lead.to);
    const heading = this.#rounds.nameBefore(words);
    const second = label.from === 2 || label.next !== undefined;
    if (
      second &&
      (heading !== null || this.#pieces.part === null || this.#pending !== null) &&
      this.#first(this.#rounds.first(lead, heading))
    )
      return;
    if (heading && label.from === 1) this.#heading({ ...heading, rest: '' }, lead);
    this.#addProse(lead);
  }

  /** "Next 3 rnds" goes on from the last number. */
  #numbered(label: Label, count: number): Label {
    const last = this.#pieces.stretch?.rounds.findLast(({ labelled }) => labelled)?.to ?? 0;
    const numbers = Array.from({ length: Math.min(count, 2000) }, (_, i) => last + 1 + i);
    return { ...label, from: last + 1, to: last + numbers.length, numbers };
  }

  /** Finds the part and the stretch that a round belongs to, and makes them where it is the first. */
  #begin(label: Label | null): void {
    const prose = this.#prose;
    const words = prose ? this.#source.text.slice(prose.from, Math.min(prose.to, prose.from + 1200)) : '';
    const { stretch, lastRound: last } = this.#pieces;
    const restarts =
      label?.from === 1 &&
      last !== undefined &&
      stretch?.rounds.some((round) => round.labelled && round.from === 1) === true;
    const passing = stretch ? restarts && label.series === stretch.series : label?.from === 1;
    const named = this.#pending ?? (passing && prose ? this.#told(prose, stretch === null) : null);
    const said = prose && saidBefore(words, prose.from, this.#lexicon.compact);
    const beginning: Beginning = {
      name: null,
      start: said?.start ?? null,
      into: said?.into ?? null,
      divided: said?.divided === true,
      series: label?.series ?? '',
    };
    if (named && this.#isUnder(named.heading)) this.#pieces.divide({ ...beginning, name: named.heading.name });
    else if (named) this.#newPart(named.heading, named.span, beginning);
    else if (!stretch) this.#newPart(this.#unnamed(), spanAt(label?.span.from ?? 0), beginning);
    else if (restarts || (label && beginning.series !== stretch.series))
      this.#pieces.divide({ ...beginning, name: said?.name ?? null });
    else if (beginning.into && (!label?.from || said?.joins === true))
      this.#pieces.divide({ ...beginning, name: said?.lead ?? null });
    else if (label?.from && last && said?.takesShare === true) this.#pieces.divide(beginning);
    this.#flat = said?.flat === true ? prose : null;
    this.#pending = null;
    this.#prose = null;
    this.#section = 'part';
  }

  /** A heading within the part before, which has rounds already. */
  #isUnder({ level }: Heading): boolean {
    const { part } = this.#pieces;
    return part !== null && level > part.level && part.level > 0 && part.stretches.length > 0;
  }

  /** What rounds without a heading are named by. */
  #unnamed(): Heading {
    const name = this.#title && this.#title.length < 60 ? this.#title : 'Pattern';
    return { name, make: 1, saysMake: false, section: null, level: 0, rest: '' };
  }

  /** "now the flippers, black, two of them": a piece that is named in passing, above its first round. */
  #told(prose: Span, first: boolean): { heading: Heading; span: Span } | null {
    const to = lineIndexAt(this.#source, prose.to);
    // Above the first piece many lines may look like the name of one.
    const from = first ? Math.max(0, to - 1) : lineIndexAt(this.#source, prose.from);
    const best = bestName(this.#source, from, to + 1, NAMES);
    if (best?.heading.section !== null || !/^[\p{L} '’-]+$/u.test(best.heading.name)) return null;
    if (first && !namesPart(best.heading.name)) return null;
    return { heading: { ...best.heading, rest: '' }, span: lineSpan(this.#source, best.line) };
  }

  #newPart(heading: Heading, span: Span, beginning: Beginning): void {
    const name = heading.name || this.#unnamed().name;
    const part = this.#pieces.begin({ ...heading, name }, span, {
      ...beginning,
      series: '',
    });
    this.#passages.claim(part);
  }

  /** Whether a line goes on with the round above it. */
  #continues({ from, bodyFrom, to }: OpenRound, index: number, line: string): boolean {
    const words = this.#source.text.slice(Math.max(bodyFrom, to - 160), to);
    if (words.trim() === '') return this.#instructions.begins(line) || this.#ahead.lookOf(index) === null;
    return goesOnFrom({ words, length: to - from, isMessage: this.#source.messages === true }, line, this.#lexicon);
  }

  #close(): void {
    const open = this.#open;
    if (!open || !this.#pieces.part) return;
    this.#open = null;
    // "(sc 1, inc) x 6 (18). Fold, sc through both layers (9).": the closing is a round of its own.
    const fold = open.unit ? null : foldIn(this.#source.text, { from: open.bodyFrom, to: open.to });
    this.#push({ ...open, to: fold?.from ?? open.to });
    if (fold) this.#push({ label: null, from: fold.to, bodyFrom: fold.to, to: open.to });
  }

  #push(open: OpenRound): void {
    const read = this.#instructions.read(this.#source.text, { from: open.bodyFrom, to: open.to });
    this.#add(open, open.unit ? instructionOf(open.unit, read, this.#pieces.stretch?.start ?? null) : read);
  }

  #add(open: OpenRound, read: Instruction): void {
    const reading = { ...read, reference: this.#named(read.reference) };
    const before = { last: this.#pieces.lastRound, flat: this.#flat };
    this.#pieces.add(roundOf(this.#source.text, this.#lexicon, open, reading, before));
  }

  #heading(read: Heading, span: Span): void {
    const heading = withSaid(read, this.#roles.parts.get(span.from));
    this.#close();
    this.#prose = null;
    if (heading.section) {
      this.#beginSection(heading.section, span, span);
      this.#pending = null;
    } else {
      this.#section = null;
      this.#pending = { heading: { ...heading, name: this.#yarns.without(heading.name) }, span };
      if (heading.rest)
        this.#prose = { from: span.to - Math.min(heading.rest.length, span.to - span.from), to: span.to };
    }
  }

  /** "Hook: 2.5 mm", "What I used: …": a section that begins in the middle of a line. */
  #inlineSection(index: number, text: string, span: Span): void {
    const { kind, match } = this.#source.remember(text, inlineSection);
    // "Terms: US." says which they are, and explains none.
    if (kind === 'legend' && /^\s*(?:us|uk|american|british)(?!\p{L})/iu.test(text.slice(match?.[0].length))) return;
    // "Yarn color: grey" between the name of a piece and its first round.
    const next = kind === 'materials' && this.#pending ? this.#ahead.nextLabel(index) : null;
    if (next?.lines === 0 && next.label.from === 1) return;
    if (match && kind && (kind === 'assembly' || !this.#pieces.part)) {
      this.#close();
      this.#beginSection(kind, { from: span.from, to: span.from + match[0].length }, span);
    }
  }

  #beginSection(kind: SectionKind, heading: Span, span: Span): void {
    this.#section = kind;
    this.#passages.begin(kind, heading, span);
    if (kind === 'materials') this.#yarns.note(this.#source.text.slice(span.from, span.to));
  }

  /** "The last two rows" by their numbers. */
  #named(reference: RoundReference | null): RoundReference | null {
    if (reference?.last === undefined) return reference;
    return { ...reference, rounds: this.#pieces.numbers().slice(-reference.last) };
  }

  /** Whether a line that could be a heading only says the yarn: one has been seen already, or the rounds just go on. */
  #leadsYarn(name: string, line: number): boolean {
    if (!this.#yarns.isColour(name)) return false;
    const next = this.#ahead.nextLabel(line);
    return this.#pending !== null || (this.#pieces.part !== null && next !== null && next.label.from !== 1);
  }

  #addProse(span: Span): void {
    this.#close();
    const section = this.#section === 'part' ? null : this.#section;
    if (section === 'materials') this.#yarns.note(this.#source.text.slice(span.from, span.to));
    const waits = section !== null || this.#pending !== null;
    const { part, lastRound } = this.#pieces;
    this.#passages.add(span, section, waits ? null : part, waits ? null : (lastRound ?? null));
    this.#prose = { from: this.#prose?.from ?? span.from, to: span.to };
  }
}

/** The title that the first line of a text is; undefined where one may still come, null where the text begins without. */
function titleIn(text: string): string | null | undefined {
  if (HEADS_TABLE.test(text)) return undefined;
  if (saysTerms(text) || inlineSection(text).kind) return null;
  const name = withoutTerms(text);
  // What is longer describes the pattern, and is left as it is.
  return (name.length > LONGEST_NAME ? text : name).replace(/^[^\p{L}\d]+|[^\p{L}\d)!?]+$/gu, '');
}

/** Whether a line may hold a round, by what is said of it. */
function isRound(role: LineRole | undefined): boolean {
  return role === undefined || role === 'round';
}

function spanAt(at: number): Span {
  return { from: at, to: at };
}
