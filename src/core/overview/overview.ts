import {
  documentOf,
  outsideMaterials,
  unheaded,
  type AssemblyStep,
  type Document,
  type MakingEvent,
} from '../document/document.js';
import { proseOf } from '../document/prose.js';
import { roundsByPart, type CountedPattern, type CountedRound } from '../counting/counted.js';
import { senseInWords } from '../deciding/why.js';
import type { Part, Pattern } from '../pattern/pattern.js';
import type { Material } from '../materials/materials.js';
import { witnessesIn } from '../reading/detect.js';
import { inEitherCase } from '../text/eitherCase.js';
import { positionAt, type Span } from '../text/source.js';
import { linesTaken } from './lines.js';
import type { Overview, PartOverview } from './schema.js';

/** What the whole of the making needs. */
const OF_ALL: ReadonlySet<Material['kind']> = new Set(['hook', 'tool']);
/** What is spoken of by other words than the list's. */
const SPOKEN_OF: Partial<Record<Material['kind'], string>> = {
  eyes: 'eyes?',
  filling: String.raw`(?:stuff|fill)\p{L}*`,
};
/** More places than these tell no more. */
const MOST_USES = 12;
const MOST_WORDS = 8;

/** What was understood of a pattern besides its rounds, for who looks it through. */
export function overviewOf(counted: CountedPattern): Overview {
  const { pattern } = counted;
  const { talk } = proseOf(pattern);
  const document = documentOf(pattern, talk);
  const lineOf = (offset: number) => positionAt(pattern.source, offset).line;
  const { declared, declaredAt, detected } = pattern.terms;
  const byPart = roundsByPart(counted.rounds);
  return {
    title: pattern.title,
    terms: {
      declared,
      at: declaredAt && lineOf(declaredAt.from),
      detected,
      words: witnessesIn(pattern.source.text)
        .slice(0, MOST_WORDS)
        .map(({ word, count, tells, first }) => ({ word, count, tells, line: lineOf(first) })),
    },
    materials: materialsOf(
      pattern,
      document.materials.length > 0 ? document.materials : unheaded(pattern.parts, talk),
      lineOf,
    ),
    words: wordsOf(counted, lineOf),
    sections: pattern.sections.map(({ kind, heading, span }) => ({
      kind,
      line: lineOf(heading.from),
      endLine: lineOf(Math.max(heading.from, span.to - 1)),
    })),
    parts: pattern.parts.map((part) => partOf(part, byPart.get(part) ?? [], document, lineOf)),
    assembly: document.assembly
      .filter((step) => puts(step, document))
      .map(({ text, span }) => ({ text: text.trim(), line: lineOf(span.from) })),
    lines: linesTaken(
      pattern,
      [...document.events, ...document.assembly].map(({ span }) => span),
    ),
  };
}

type LineOf = (offset: number) => number;

function materialsOf(pattern: Pattern, materials: readonly Material[], lineOf: LineOf): Overview['materials'] {
  const outside = outsideMaterials(pattern);
  return materials.map(({ kind, name, amount, span }) => ({
    kind,
    name,
    amount,
    line: lineOf(span.from),
    uses: OF_ALL.has(kind) ? [] : usesOf(pattern, outside, span, SPOKEN_OF[kind] ?? escaped(name), lineOf),
  }));
}

/** Where some words stand outside of the materials: each part once, and each line outside of parts. */
function usesOf(
  { parts }: Pattern,
  text: string,
  own: Span,
  words: string,
  lineOf: LineOf,
): Overview['materials'][number]['uses'] {
  const uses = new Map<string, { line: number; part: string | null }>();
  for (const { index } of text.matchAll(mentionsOf(words))) {
    if (index === own.from) continue;
    const part = parts.findLast(({ heading }) => heading.from <= index)?.name ?? null;
    const line = lineOf(index);
    const key = part ?? String(line);
    if (!uses.has(key)) uses.set(key, { line, part });
    if (uses.size === MOST_USES) break;
  }
  return [...uses.values()];
}

/** An expression for all places where something is spoken of, in the singular or the plural. @param words of an expression */
function mentionsOf(words: string): RegExp {
  return inEitherCase(`(?<!\\p{L})${words}s?(?!\\p{L})`, 'g');
}

function wordsOf({ pattern, rounds }: CountedPattern, lineOf: LineOf): Overview['words'] {
  const bodies = rounds.map(({ round }) => pattern.source.text.slice(round.bodyFrom, round.span.to)).join('\n');
  const used = (term: string) => [...bodies.matchAll(mentionsOf(escaped(term)))].length;
  const own = (words: Pattern['words'], from: 'settled' | 'worked-out') =>
    [...words].map(([term, sense]) => ({
      term,
      meaning: senseInWords(sense),
      from,
      sense,
      line: null,
      used: used(term),
    }));
  // "Cotton: Sand 20 g" is no word of the instructions.
  const inMaterials = ({ from }: Span) =>
    pattern.sections.some(({ kind, span }) => kind === 'materials' && span.from <= from && from < span.to);
  const legend = pattern.legend.filter(({ span }) => !inMaterials(span));
  return [
    ...legend.map(({ term, meaning, span }) => ({
      term,
      meaning,
      from: 'list' as const,
      sense: null,
      line: lineOf(span.from),
      used: used(term),
    })),
    ...own(pattern.said, 'settled'),
    ...own(new Map([...pattern.words].filter(([word]) => !pattern.said.has(word))), 'worked-out'),
  ];
}

/** Whether a sentence puts a part somewhere: what only leaves an end for it is of the part's own making. */
function puts({ pieces, onto, span, text }: AssemblyStep, { events }: Document): boolean {
  if (onto !== null) return true;
  if (/for sewing/i.test(text)) return false;
  return (
    pieces.length > 0 &&
    !events.some(({ kind, span: at }) => kind === 'tail' && span.from <= at.from && at.to <= span.to)
  );
}

const MAKING: Partial<Record<MakingEvent['kind'], string>> = {
  'eyes-set': 'eyes set',
  stuffing: 'stuffed',
  colour: 'colour changed',
  closed: 'closed',
  finished: 'fastened off',
  tail: 'tail left',
  'put-aside': 'put aside',
};

function partOf(part: Part, rounds: readonly CountedRound[], document: Document, lineOf: LineOf): PartOverview {
  const made = rounds.flatMap(({ outcome: { made: one } }) => one ?? []);
  const all = rounds.every(({ outcome: { made: one } }) => one !== null);
  const kinds = new Set(rounds.map(({ round }) => round.kind));
  const end = rounds.at(-1)?.round.span.to ?? part.heading.to;
  const line = lineOf(part.heading.from);
  return {
    name: part.name,
    line,
    endLine: Math.max(line, lineOf(Math.max(part.heading.from, end - 1))),
    make: part.make,
    rounds: rounds.reduce((sum, { round }) => sum + Math.max(1, round.numbers.length), 0),
    kind: kinds.size > 1 ? 'both' : kinds.has('row') ? 'rows' : 'rounds',
    first: rounds[0]?.outcome.made ?? null,
    most: made.length > 0 ? Math.max(...made) : null,
    last: rounds.at(-1)?.outcome.made ?? null,
    stitches: all
      ? rounds.reduce((sum, { round, outcome }) => sum + (outcome.made ?? 0) * Math.max(1, round.numbers.length), 0)
      : null,
    making: document.events
      .filter((event) => event.part === part)
      .flatMap(({ kind, negated, after, span }) => {
        const what = MAKING[kind];
        return what
          ? [{ what: negated ? `not ${what}` : what, line: lineOf(span.from), after: after?.label ?? null }]
          : [];
      }),
    assembly: document.assembly
      .filter((step) => (step.onto === part || step.pieces.includes(part)) && puts(step, document))
      .map(({ text, span }) => ({ text: text.trim(), line: lineOf(span.from) })),
  };
}

function escaped(words: string): string {
  return words.replace(/[.*+?^${}()|[\]\\/]/g, '\\$&');
}
