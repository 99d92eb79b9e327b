import type { LegendEntry, Part, PieceStart, Round, Stretch } from '../pattern/pattern.js';
import { lineSpan, type SourceText, type Span } from '../text/source.js';
import type { SectionKind } from '../vocabulary/sections.js';
import { headingBeforeLabel, headingByLook, headingByPlace, sectionOf, type Heading } from './headings.js';
import { readInstruction, type InstructionReading } from './instruction.js';
import { beginsInstruction, contentStart, labelsIn, type Label } from './labels.js';
import { COLOUR_WORDS } from '../vocabulary/words.js';
import { legendIn } from './legend.js';
import type { Lexicon } from './lexicon.js';
import { chainStartIn, freeLoopsIn } from './starts.js';

/** The parts of a text with their rounds read. */
export interface Outline {
  readonly parts: readonly Part[];
}

type Draft<T> = { -readonly [K in keyof T]: T[K] };
interface PartDraft extends Omit<Draft<Part>, 'stretches'> {
  stretches: StretchDraft[];
  level: number;
}
interface StretchDraft extends Omit<Draft<Stretch>, 'rounds'> {
  rounds: Round[];
  series: string;
}
interface OpenRound {
  readonly label: Label | null;
  readonly from: number;
  readonly bodyFrom: number;
  to: number;
}

const COUNT_AT_END =
  /(?:[.,;]\s+\d{1,4}|[([{<]\s*[^()[\]{}<>\n]{0,60}?\d[^()[\]{}<>\n]{0,40}[)\]}>]|[=–—]\s*\d+\s*\p{L}*|-\s+\d+(?:\s*\p{L}+)?|\d+\s*(?:sts?|stitch(?:es)?))[\s.*_|]*$/u;
const GOES_ON = /(?:[,;:(\[{*+&–—-]|(?<![\p{L}])(?:and|in|into|the|next|each|of|to|from|then|with|a|over))\s*$/iu;
/** Materials name these too ("eyes", "felt for the wings"), and they are never yarns. */
const PARTS = new Set(
  'head body arm arms leg legs ear ears eye eyes wing wings tail foot feet beak nose base fin fins hair hat cap shell horn horns'.split(
    ' ',
  ),
);
/** First words of a line that tells the maker to do something. */
const ORDERS =
  /^\W{0,3}(?:fasten|stuff|cut|change|fill|insert|sew|place|put|attach|join|turn|do|repeat|continue|work|weave|finish|leave|now|then|add)(?!\p{L})/iu;
const LEAD = /^[^\p{L}\d]{0,4}(\p{L}[\p{L} '’-]{1,28}?)\s*(?:[:.]\s*[*_]{1,2}|[*_]{1,2}\s*[:.–—-]|:)(?=\s)/u;

/** Finds parts and rounds, in one pass over the lines. */
export function outlineOf(source: SourceText, lexicon: Lexicon): Outline {
  const outliner = new Outliner(source, lexicon);
  return { parts: outliner.run() };
}

class Outliner {
  readonly #source: SourceText;
  readonly #lexicon: Lexicon;
  readonly #parts: PartDraft[] = [];
  #section: SectionKind | 'part' | null = null;
  #pending: { heading: Heading; span: Span } | null = null;
  #title: string | null = null;
  #part: PartDraft | null = null;
  #stretch: StretchDraft | null = null;
  #open: OpenRound | null = null;
  /** Prose since the last round: where starts, free loops and names of edgings are told. */
  #prose: Span | null = null;
  #afterBlank = true;
  /** Words of the materials, names of yarns among them. */
  readonly #yarns = new Set<string>();

  constructor(source: SourceText, lexicon: Lexicon) {
    this.#source = source;
    this.#lexicon = lexicon;
  }

  run(): Part[] {
    const count = this.#source.lineStarts.length;
    for (let line = 0; line < count; line += 1) this.#line(line);
    this.#close();
    return this.#parts
      .filter((part) => part.stretches.some((stretch) => stretch.rounds.length > 0))
      .map(({ level: _, ...part }) => ({
        ...part,
        stretches: part.stretches
          .filter((stretch) => stretch.rounds.length > 0)
          .map(({ series: __, ...stretch }) => stretch),
      }));
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
    const labels = labelsIn(this.#source.text, span, { lexicon: this.#lexicon, bare: this.#bareLabelsStand() });
    if (labels.length > 0) {
      this.#labels(labels, span);
      return;
    }
    this.#title ??= text.replace(/^[^\p{L}\d]+|[^\p{L}\d)!?]+$/gu, '');
    if (this.#open && this.#continues(text)) {
      this.#open.to = span.to;
      return;
    }
    const heading = this.#headingAt(index, text, afterBlank);
    if (heading && !(heading.level === 0 && !heading.saysMake && this.#leadsYarn(heading.name, index))) {
      this.#heading(heading, span);
      return;
    }
    this.#inlineSection(text);
    if (this.#unlabelled(index, span, text)) return;
    this.#addProse(span);
  }

  /** "5." is a round where rounds may stand, and the number of a step in the sewing instructions. */
  #bareLabelsStand(): boolean {
    return this.#section !== 'assembly' && this.#section !== 'materials' && this.#section !== 'legend';
  }

  #labels(labels: readonly Label[], line: Span): void {
    labels.forEach((label, i) => {
      this.#close();
      if (i === 0 && label.span.from > contentStart(this.#source.text, line.from, line.to)) {
        const lead = { from: line.from, to: label.span.from };
        const heading = label.from === 1 ? headingBeforeLabel(this.#source.text.slice(lead.from, lead.to)) : null;
        if (heading && !this.#isColour(heading.name)) this.#heading(heading, lead);
        this.#addProse(lead);
      }
      this.#begin(label);
      const to = labels[i + 1]?.span.from ?? line.to;
      const numbered = label.next === undefined ? label : this.#numbered(label, label.next);
      this.#open = { label: numbered, from: label.span.from, bodyFrom: Math.min(label.bodyFrom, to), to };
    });
  }

  /** "Next 3 rnds" goes on from the last number. */
  #numbered(label: Label, count: number): Label {
    const last = this.#stretch?.rounds.findLast(({ labelled }) => labelled)?.to ?? 0;
    const numbers = Array.from({ length: Math.min(count, 2000) }, (_, i) => last + 1 + i);
    return { ...label, from: last + 1, to: last + numbers.length, numbers };
  }

  /** Finds the part and the stretch that a round belongs to, and makes them where it is the first. */
  #begin(label: Label | null): void {
    const prose = this.#prose;
    const words = prose ? this.#source.text.slice(prose.from, Math.min(prose.to, prose.from + 1200)) : '';
    const into = prose ? freeLoopsIn(words, prose.from) : null;
    const start = prose ? chainStartIn(words, this.#lexicon.compact) : null;
    const named = this.#pending;
    const last = this.#stretch?.rounds.at(-1);
    const restarts =
      label !== null &&
      label.from > 0 &&
      last !== undefined &&
      label.from === 1 &&
      last.to >= 1 &&
      this.#stretch?.rounds.some((round) => round.labelled && round.from === 1);
    const series = label?.series ?? '';
    if (named) {
      const under =
        named.heading.level > 0 &&
        this.#part &&
        named.heading.level > this.#part.level &&
        this.#part.level > 0 &&
        this.#part.stretches.length > 0;
      if (under) this.#newStretch(named.heading.name, start, into, series);
      else this.#newPart(named.heading, named.span, start, into);
    } else if (!this.#part) {
      const at = { from: label?.span.from ?? 0, to: label?.span.from ?? 0 };
      this.#newPart(
        {
          name: this.#title && this.#title.length < 60 ? this.#title : 'Pattern',
          make: 1,
          saysMake: false,
          section: null,
          level: 0,
          rest: '',
        },
        at,
        start,
        into,
      );
    } else if (restarts || (label && series !== (this.#stretch?.series ?? ''))) {
      this.#newStretch(LEAD.exec(words)?.[1]?.trim() ?? this.#leadOfLastLine(words), start, into, series);
    } else if (label === null || label.from === 0) {
      if (into) this.#newStretch(LEAD.exec(words)?.[1]?.trim() ?? null, start, into, series);
      else if (start && this.#stretch && this.#stretch.rounds.length === 0) this.#stretch.start = start;
    } else if (start && this.#stretch && this.#stretch.rounds.length === 0) this.#stretch.start = start;
    this.#pending = null;
    this.#prose = null;
    this.#section = 'part';
  }

  #leadOfLastLine(words: string): string | null {
    const line =
      words
        .trimEnd()
        .split(/[\r\n]+/)
        .at(-1) ?? '';
    return LEAD.exec(`${line} `)?.[1]?.trim() ?? null;
  }

  #newPart(heading: Heading, span: Span, start: PieceStart | null, into: Stretch['into']): void {
    this.#part = {
      name: heading.name || 'Pattern',
      make: heading.make,
      heading: span,
      stretches: [],
      level: heading.level,
    };
    this.#parts.push(this.#part);
    const fromHeading = start ?? chainStartIn(heading.rest, this.#lexicon.compact);
    this.#newStretch(null, fromHeading, into, '');
  }

  #newStretch(name: string | null, start: PieceStart | null, into: Stretch['into'], series: string): void {
    this.#stretch = { name, start, into, rounds: [], series };
    this.#part?.stretches.push(this.#stretch);
  }

  #continues(text: string): boolean {
    const open = this.#open;
    if (!open) return false;
    const body = this.#source.text.slice(Math.max(open.bodyFrom, open.to - 160), open.to);
    if (body.trim() === '')
      return beginsInstruction(text, 0, text.length, this.#lexicon) || headingByLook(text) === null;
    if (COUNT_AT_END.test(body)) return false;
    if (GOES_ON.test(body)) return true;
    const start = text.trimStart();
    if (!/^[\p{Ll}\d(\[{<=–—*]/u.test(start)) return false;
    // A line in small letters after a finished sentence, or after a short line, may be talk of its own.
    const wrapped = !/[.!?]\s*$/u.test(body) && open.to - open.from > 50;
    return wrapped || beginsInstruction(text, 0, text.length, this.#lexicon) || /^[(\[{<=–—*\d]/u.test(start);
  }

  #close(): void {
    const open = this.#open;
    if (!open || !this.#stretch) return;
    this.#open = null;
    const reading = readInstruction(this.#source.text, { from: open.bodyFrom, to: open.to }, this.#lexicon);
    this.#stretch.rounds.push(this.#roundOf(open, reading));
  }

  #roundOf(open: OpenRound, reading: InstructionReading): Round {
    const { label } = open;
    const to = open.from + this.#source.text.slice(open.from, open.to).trimEnd().length;
    const turned = reading.steps.some((step) => step.kind === 'turn');
    const inRows = this.#stretch?.rounds.at(-1)?.kind === 'row';
    return {
      label: label?.text.replace(/\s+/g, ' ') ?? firstWords(this.#source.text.slice(open.from, to)),
      kind:
        label?.kind ??
        ((turned || inRows) && label?.kind !== 'round' && (label?.series ?? '') === '' && label !== null
          ? 'row'
          : 'round'),
      labelled: label !== null,
      from: label?.from ?? 0,
      to: label?.to ?? 0,
      numbers: label?.numbers ?? [],
      labelSpan: label?.span ?? { from: open.from, to: open.from },
      span: { from: open.from, to },
      steps: reading.steps,
      reference: reading.reference,
      stated: reading.stated,
      statedRounds: reading.statedRounds,
      unread: reading.unread,
      brackets: reading.brackets,
      remarks: reading.remarks,
    };
  }

  #headingAt(index: number, text: string, afterBlank: boolean): Heading | null {
    const look = headingByLook(text);
    if (look && (look.level > 0 || afterBlank || look.section || this.#roundsFollow(index))) {
      const start = text.search(/[\p{L}\d]/u);
      const from = (this.#source.lineStarts[index] ?? 0) + Math.max(0, start);
      const known =
        look.level === 0 &&
        !(look.saysMake && !COUNT_AT_END.test(text)) &&
        beginsInstruction(this.#source.text, from, from + text.length - Math.max(0, start), this.#lexicon);
      if (!known) return look;
    }
    const place = headingByPlace(text);
    if (!place) return null;
    if (place.section) {
      const next = this.#nextLabel(index);
      // "Joining the legs" with its rounds right below is a part.
      if (next?.lines === 0 && next.label.kind !== null && place.section === 'assembly')
        return { ...place, section: null };
      return afterBlank || /:$/.test(text.trim()) ? place : null;
    }
    if (afterBlank || /:$/.test(text.trim())) return this.#roundsFollow(index) ? place : null;
    // "Right ear" between the last round of the left one and its own first.
    const next = this.#nextLabel(index);
    return next?.lines === 0 && next.label.from === 1 && !ORDERS.test(text) && /^\p{Lu}/u.test(text.trim())
      ? place
      : null;
  }

  /** The first label within the next few lines, with how many lines of text lie before it. */
  #nextLabel(index: number): { label: Label; lines: number } | null {
    let lines = 0;
    for (let line = index + 1; line < this.#source.lineStarts.length && line < index + 9 && lines < 4; line += 1) {
      const span = lineSpan(this.#source, line);
      const to = Math.min(span.to, span.from + 200);
      if (this.#source.text.slice(span.from, to).trim() === '') continue;
      const label = labelsIn(this.#source.text, { from: span.from, to }, { lexicon: this.#lexicon, bare: true })[0];
      if (label) return { label, lines };
      lines += 1;
    }
    return null;
  }

  /** Whether a first round, or a chain to begin with, stands within the next few lines. */
  #roundsFollow(index: number): boolean {
    let seen = 0;
    for (let line = index + 1; line < this.#source.lineStarts.length && line < index + 9 && seen < 4; line += 1) {
      const span = lineSpan(this.#source, line);
      const text = this.#source.text.slice(span.from, Math.min(span.to, span.from + 200));
      if (text.trim() === '') continue;
      seen += 1;
      const labels = labelsIn(
        this.#source.text,
        { from: span.from, to: span.from + text.length },
        { lexicon: this.#lexicon, bare: true },
      );
      const first = labels[0];
      if (first) return first.from <= 1 || seen === 1;
      if (chainStartIn(text, this.#lexicon.compact)) return true;
      if (
        seen === 1 &&
        COUNT_AT_END.test(text) &&
        beginsInstruction(this.#source.text, span.from, span.to, this.#lexicon)
      )
        return true;
      if (headingByLook(text)) return false;
    }
    return false;
  }

  #heading(heading: Heading, span: Span): void {
    this.#close();
    this.#prose = null;
    if (heading.section) {
      this.#section = heading.section;
      this.#noteYarns(span);
      this.#pending = null;
    } else {
      this.#section = null;
      this.#pending = { heading: { ...heading, name: this.#withoutColour(heading.name) }, span };
      if (heading.rest)
        this.#prose = { from: span.to - Math.min(heading.rest.length, span.to - span.from), to: span.to };
    }
  }

  /** "Hook: 2.5 mm", "What I used: …": a section that begins in the middle of a line. */
  #inlineSection(text: string): void {
    const match = /^[^\p{L}]{0,4}(\p{L}[\p{L}' ’]{1,28}?)\s*(?:\*\*|__)?\s*[:–—]/u.exec(text);
    const kind = match?.[1] ? sectionOf(match[1]) : null;
    if (kind && (kind === 'assembly' || !this.#part)) {
      this.#close();
      this.#section = kind;
    }
  }

  /** An instruction without a label: a flat closing, an edging, a piece of one row. */
  #unlabelled(index: number, span: Span, text: string): boolean {
    if (this.#section !== 'part' && !(this.#section === null && this.#pending)) return false;
    if (!/\d/.test(text)) return false;
    let to = span.to;
    const lines = this.#source.lineStarts.length;
    for (let line = index + 1; line < lines && line < index + 4; line += 1) {
      if (COUNT_AT_END.test(this.#source.text.slice(Math.max(span.from, to - 160), to))) break;
      const next = lineSpan(this.#source, line);
      const words = this.#source.text.slice(next.from, Math.min(next.to, next.from + 200));
      if (
        words.trim() === '' ||
        !/^\s*[\p{Ll}(\[{]/u.test(words) ||
        labelsIn(this.#source.text, next, { lexicon: this.#lexicon, bare: true }).length > 0
      )
        break;
      to = next.to;
    }
    const bodyFrom = span.from + wordsBeforeWork(text, this.#lexicon);
    const reading = readInstruction(
      this.#source.text,
      { from: bodyFrom, to: Math.min(to, span.from + 2000) },
      this.#lexicon,
    );
    if (!isInstruction(reading)) return false;
    this.#close();
    this.#begin(null);
    this.#open = { label: null, from: contentStart(this.#source.text, span.from, span.to), bodyFrom, to: span.to };
    return true;
  }

  /** "Rust:" on a line of its own names the yarn for what follows. */
  #isColour(name: string): boolean {
    const words = name.toLowerCase().split(/\s+/);
    return words.every((word) => COLOUR_WORDS.has(word) || this.#yarns.has(word)) && !PARTS.has(words.at(-1) ?? '');
  }

  /** Whether a line that could be a heading only says the yarn: one has been seen already, or the rounds just go on. */
  #leadsYarn(name: string, line: number): boolean {
    if (!this.#isColour(name)) return false;
    const next = this.#nextLabel(line);
    return this.#pending !== null || (next !== null && next.label.from !== 1);
  }

  /** "fins orange" is the heading of the fins. */
  #withoutColour(name: string): string {
    const words = name.split(/\s+/);
    while (words.length > 1 && this.#isColour(words.at(-1) ?? '')) words.pop();
    return words.join(' ');
  }

  #addProse(span: Span): void {
    this.#close();
    this.#noteYarns(span);
    this.#prose = { from: this.#prose?.from ?? span.from, to: span.to };
  }

  /** Keeps the words of the materials, so that a yarn's name is known when it stands alone. */
  #noteYarns(span: Span): void {
    if (this.#section === 'materials' && this.#yarns.size < 500) {
      for (const [word] of this.#source.text
        .slice(span.from, Math.min(span.to, span.from + 400))
        .matchAll(/\p{L}{3,}/gu))
        this.#yarns.add(word.toLowerCase());
    }
  }
}

/** Length of short sentences before the crochet of an unlabelled line: "Oat. Ch 26, sc in …" names a yarn first. */
function wordsBeforeWork(text: string, lexicon: Lexicon): number {
  const sentence = /^[^.:\d]{1,40}\.\s+(?=\p{Lu})/u.exec(text);
  return sentence && !beginsInstruction(text, 0, sentence[0].length, lexicon) ? sentence[0].length : 0;
}

/** Whether what was read of an unlabelled line is crochet with a result, and not talk about it. */
function isInstruction(reading: InstructionReading): boolean {
  const works = reading.steps.some(
    (step) => step.kind === 'work' || step.kind === 'group' || (step.kind === 'repeat' && step.body.length > 0),
  );
  if (!works) return false;
  const foundation =
    reading.steps.some((step) => step.kind === 'chain') &&
    reading.steps.some((step) => step.kind === 'work' && step.place.kind === 'chain-from-hook');
  if (reading.stated !== null || (foundation && reading.unread.length === 0)) return true;
  // "Continue in sc for 3 more rounds."
  return reading.statedRounds !== null && reading.unread.length === 0;
}

function firstWords(text: string): string {
  const words = text
    .replace(/[*_#]/g, '')
    .trim()
    .split(/[\s:,.(]+/)
    .slice(0, 3)
    .join(' ');
  return words.length > 28 ? `${words.slice(0, 27)}…` : words;
}

/** The pattern's own abbreviations: every entry that stands before the first round. */
export function legendOf(source: SourceText): LegendEntry[] {
  const first = /^[ \t>*_-]*(?:rnd|round|rd|row|r)\.?\s?1\b/imu.exec(source.text);
  return legendIn(source.text, 0, Math.min(first?.index ?? source.text.length, 40_000));
}
