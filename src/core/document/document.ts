import { listsMaterials, MaterialList, type Material } from '../materials/materials.js';
import type { Part, Pattern, Round } from '../pattern/pattern.js';
import { lineIndexAt, lineSpan, sourceText, type Remember, type Span } from '../text/source.js';
import { namesPlace, placesIn, type Place } from './places.js';
import { formsOf, isFront, nounsOf, sentencesOf, wordsOf, type Talk } from './prose.js';

/** Something that happens in the making besides crochet, with the round that it stands behind, or in. */
export interface MakingEvent {
  readonly kind: 'eyes-set' | 'stuffing' | 'colour' | 'closed' | 'finished' | 'tail' | 'put-aside';
  /** Said not to be done: "do not stuff". */
  readonly negated: boolean;
  readonly part: Part | null;
  readonly after: Round | null;
  readonly span: Span;
}

/** A sentence that puts pieces together or says where something goes: what on what, and at which places. */
export interface AssemblyStep {
  readonly pieces: readonly Part[];
  readonly onto: Part | null;
  /** With offsets within `text`. */
  readonly places: readonly Place[];
  readonly text: string;
  readonly span: Span;
  /** Where the sentence stands. */
  readonly talk: Talk;
}

/** What a pattern says besides its rounds, as things with their places in the text. */
export interface Document {
  readonly materials: readonly Material[];
  readonly events: readonly MakingEvent[];
  readonly assembly: readonly AssemblyStep[];
}

export const NO_DOCUMENT: Document = { materials: [], events: [], assembly: [] };

const EVENTS: readonly (readonly [MakingEvent['kind'], RegExp])[] = [
  [
    'eyes-set',
    /(?:put|push|insert|place|set|attach|fix|fit|add|press)\p{L}*\s(?:[^.!]{0,30}\s)?(?:safety\s)?eyes?(?!\p{L})/iu,
  ],
  [
    'stuffing',
    /(?<!\p{L})(?:re-?)?(?:stuff|fill|pad|fluff|wad|(?:add|insert) (?:the |some |more )?(?:stuffing|filling|fiberfill|fibrefill))(?:s|ing|ed)?(?!\p{L})/iu,
  ],
  ['colour', /(?<!\p{L})(?:change|switch)\s+to\s+\p{L}+/iu],
  [
    'closed',
    /clos(?:e|ed)|pull (?:it )?(?:tight|up)|gather|draw (?:it |the (?:end|gap|hole|opening) )?(?:closed|together|shut|up)|sew (?:the hole |it )?shut|through the (?:last )?\d+ st/iu,
  ],
  ['finished', /(?<!\p{L})(?:fasten(?:ed)? off|finish off|end off|bind off|fo|cut|break)(?!\p{L})/iu],
  ['tail', /(?<!\p{L})(?:tail|(?:long )?(?:end|thread) for sewing|leav\p{L}* (?:a |an )?(?:long )?end)(?!\p{L})/iu],
  ['put-aside', /(?<!\p{L})(?:put|set|lay|leave) (?:it |this |the \p{L}+ )?aside/iu],
];
/** "Not too firmly" is no refusal. */
const NOT =
  /(?<!\p{L})(?:not|n['’]t|no|never|without)(?!\p{L})(?!\s(?:too|so|very|yet|quite|overly|hard|tight|firm))/iu;
const JOINS = /(?<!\p{L})(?:sew|sewn|attach|join|stitch|glue|pin|crochet)\p{L}*(?!\p{L})/iu;
const ONTO =
  /(?<!\p{L})(?:to|on|onto|into)\s+(?:(?:the|each|its|his|her|back|front|top|side|sides|of)\s+){0,4}(?:\p{L}+\s+)??(\p{L}{3,})/giu;

/** Gathers what a pattern says besides its rounds. */
export function documentOf({ parts, source: { remember } }: Pattern, talk: readonly Talk[]): Document {
  return {
    materials: materialsIn(talk, remember),
    events: [...eventsIn(talk, remember)],
    assembly: [...assemblyIn(parts, talk, remember)],
  };
}

function materialsIn(talk: readonly Talk[], remember: Remember): Material[] {
  const lines = talk.filter(({ section }) => section === 'materials');
  const list = sourceText(lines.map(({ text }) => text).join('\n'));
  return remember(list.text, materialsListed).map(({ span: { from, to }, ...material }) => {
    const line = lineIndexAt(list, from);
    const by = (lines[line]?.span.from ?? 0) - (list.lineStarts[line] ?? 0);
    return { ...material, span: { from: from + by, to: to + by } };
  });
}

/** The materials of a list, line by line, with their places in it. */
function materialsListed(words: string): Material[] {
  const materials = new MaterialList();
  const list = sourceText(words);
  list.lineStarts.forEach((_, line) => {
    const { from, to } = lineSpan(list, line);
    materials.add(words.slice(from, to), from);
  });
  return materials.all();
}

/** The materials where no heading stands above them: in lines before the rounds. */
export function unheaded(parts: readonly Part[], talk: readonly Talk[]): Material[] {
  const list = new MaterialList();
  for (const one of talk) {
    if (!isFront(one, parts) || !listsMaterials(one.text)) continue;
    // "A 2 mm hook. American terms. Finished fish is 12 cm long.": a sentence lists them, and others say other things.
    for (const { text, at } of sentencesOf(one.text)) if (listsMaterials(text)) list.add(text, one.span.from + at);
  }
  return list.all();
}

function* eventsIn(talk: readonly Talk[], remember: Remember): Iterable<MakingEvent> {
  for (const { text, span, part, section, after } of talk) {
    if (section === 'materials' || section === 'legend' || section === 'gauge') continue;
    for (const { kind, negated, from, to } of remember(text, eventsNamed))
      yield { kind, negated, part, after, span: { from: span.from + from, to: span.from + to } };
  }
}

/** What a line says to be done, with offsets within it. */
function eventsNamed(text: string): (Pick<MakingEvent, 'kind' | 'negated'> & Span)[] {
  return EVENTS.flatMap(([kind, words]) => {
    const match = words.exec(text);
    return match ? [{ kind, negated: NOT.test(text), from: match.index, to: match.index + match[0].length }] : [];
  });
}

function* assemblyIn(parts: readonly Part[], talk: readonly Talk[], remember: Remember): Iterable<AssemblyStep> {
  const byNoun = new Map<string, Part>();
  for (const part of parts) for (const form of nounsOf(part).flatMap(formsOf)) byNoun.set(form, part);
  for (const one of paragraphsOf(talk)) {
    const { span, section } = one;
    if (section === 'materials' || section === 'legend' || !remember(one.text, joinsOrPlaces)) continue;
    for (const { text, at } of sentencesOf(one.text)) {
      const places = remember(text, placesIn);
      const { pieces, onto } = remember(text, joins) ? joinedIn(text, one, byNoun) : { pieces: [], onto: null };
      if (pieces.length === 0 && onto === null && places.length === 0) continue;
      const from = span.from + at;
      yield { pieces, onto, places, text, span: { from, to: from + text.length }, talk: one };
    }
  }
}

const joins = (text: string) => JOINS.test(text);
const joinsOrPlaces = (text: string) => joins(text) || namesPlace(text);

/** Lines of talk that go on from each other, put together. */
function paragraphsOf(talk: readonly Talk[]): Talk[] {
  const paragraphs: Talk[] = [];
  for (const one of talk) {
    const last = paragraphs.at(-1);
    const gap = last ? one.span.from - last.span.to : -1;
    const goesOn =
      last &&
      gap > 0 &&
      gap <= LONGEST_BREAK &&
      last.section === one.section &&
      last.part === one.part &&
      last.after === one.after &&
      !/[.!?:;]\s*$/u.test(last.text) &&
      /^\s*[\p{Ll}\d(]/u.test(one.text);
    if (!goesOn) paragraphs.push(one);
    else
      paragraphs[paragraphs.length - 1] = {
        ...last,
        text: last.text + ' '.repeat(gap) + one.text,
        span: { from: last.span.from, to: one.span.to },
      };
  }
  return paragraphs;
}

/** A line break, with the indent or the sign of a quotation before the next line. */
const LONGEST_BREAK = 6;

/** What a sentence that joins puts on what; the piece that it stands with where it names none. */
function joinedIn(
  text: string,
  { part, section }: Talk,
  byNoun: ReadonlyMap<string, Part>,
): Pick<AssemblyStep, 'pieces' | 'onto'> {
  const targets = [...text.matchAll(ONTO)].flatMap((match) => byNoun.get((match[1] ?? '').toLowerCase()) ?? []);
  const onto = targets[0] ?? null;
  const named = [...wordsOf(text)].flatMap((word) => byNoun.get(word) ?? []).filter((piece) => piece !== onto);
  const pieces = named.length > 0 ? named : part && section === null && part !== onto ? [part] : [];
  return { pieces: [...new Set(pieces)], onto };
}

/** The text with its materials made blank: all else stands where it stood. */
export function outsideMaterials({ source, sections }: Pattern): string {
  let text = source.text;
  for (const { kind, span } of sections)
    if (kind === 'materials') text = text.slice(0, span.from) + ' '.repeat(span.to - span.from) + text.slice(span.to);
  return text;
}
