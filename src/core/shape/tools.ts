import { unheaded, type Document } from '../document/document.js';
import { isFront, type Talk } from '../document/prose.js';
import { listsMaterials, type Material } from '../materials/materials.js';
import type { Pattern } from '../pattern/pattern.js';
import { lineIndexAt, lineSpan, type Span } from '../text/source.js';
import { hookNamed } from '../vocabulary/hooks.js';
import { GAUGE_IN, type SaidGauge } from './gauge.js';
import { bandIn, type Band } from './yarnBand.js';

/** What the text says of hook, yarn and gauge. Lengths are mm. */
export interface Tools {
  readonly hook: number | null;
  readonly band: Band;
  readonly gauge: SaidGauge | null;
  readonly eyes: number | null;
  readonly materials: readonly Material[];
  /** The line of the text that a material stands in. */
  readonly lineOf: (span: Span) => string;
}

const GAUGE_WORDS = /(?<!\p{L})(?:gauge|tension|swatch)(?!\p{L})/iu;

/** What a pattern says of hook, yarn and gauge. */
export function toolsOf(pattern: Pattern, talk: readonly Talk[], document: Document): Tools {
  const { source } = pattern;
  const lineOf = ({ from }: Span) => {
    const line = lineSpan(source, lineIndexAt(source, from));
    return source.text.slice(line.from, line.to);
  };
  const materials = document.materials.length > 0 ? document.materials : unheaded(pattern.parts, talk);
  const yarns = materials
    .filter(({ kind }) => kind === 'yarn')
    .map(({ span }) => source.remember(lineOf(span), bandIn));
  const listed = talk.filter(
    (one) => one.section === 'materials' || (isFront(one, pattern.parts) && listsMaterials(one.text)),
  );
  const bands = [...yarns, ...listed.map(({ text }) => source.remember(text, bandIn))];
  const first = <Key extends keyof Band>(key: Key) => bands.find((band) => band[key] !== null)?.[key] ?? null;
  return {
    hook: millimetresOf(materials.find(({ kind }) => kind === 'hook')?.name ?? ''),
    band: { weight: first('weight'), metres: first('metres'), ball: first('ball') },
    gauge: saidGauge(pattern, talk),
    eyes: millimetresOf(materials.find(({ kind, amount }) => kind === 'eyes' && amount !== null)?.amount ?? ''),
    materials,
    lineOf,
  };
}

/** The size that a name gives: "3.5 mm", "G/6", "8 mm"; null where it gives none. */
function millimetresOf(name: string): number | null {
  if (name === '') return null;
  const figure = /(\d{1,2}(?:[.,]\d{1,2})?)\s?(mm)?/iu.exec(name);
  const value = figure ? Number((figure[1] ?? '').replace(',', '.')) : null;
  if (figure && (figure[2] !== undefined || /[.,]/.test(figure[1] ?? ''))) return value;
  return hookNamed(/[A-S](?=[/-]|$|\s)/u.exec(name)?.[0] ?? '-')?.millimetres ?? value;
}

/** The first gauge that a section of it states, or a line that speaks of one. */
function saidGauge({ source, sections, terms }: Pattern, talk: readonly Talk[]): SaidGauge | null {
  const places = [
    ...sections.filter(({ kind }) => kind === 'gauge').map(({ span }) => span),
    ...talk.filter(({ text }) => GAUGE_WORDS.test(text)).map(({ span }) => span),
    ...talk.filter(({ section, part }) => part === null && section !== 'legend').map(({ span }) => span),
  ];
  for (const { from, to } of places) {
    const said = source.remember(source.text.slice(from, to), GAUGE_IN[terms.used]);
    if (said) return { ...said, span: { from: from + said.span.from, to: from + said.span.to } };
  }
  return null;
}
