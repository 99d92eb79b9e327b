import type { Document } from '../document/document.js';
import type { Talk } from '../document/prose.js';
import { listsMaterials, MaterialList, type Material } from '../materials/materials.js';
import type { Pattern } from '../pattern/pattern.js';
import { lineIndexAt, lineSpan, type Span } from '../text/source.js';
import { hookNamed } from '../vocabulary/hooks.js';
import { YARN_WEIGHTS } from '../vocabulary/yarns.js';
import { gaugeIn, type Gauge, type SaidGauge } from './gauge.js';
import { NO_SETTINGS, type ShapeSettings } from './settings.js';
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

/** Width of a one-step stitch where nothing tells it, in mm: double knitting on a 3 mm hook, worked for stuffing. */
const USUAL = 5;
const USUAL_HOOK = 3;
const USUAL_WEIGHT = 3;
/** By how much two hands differ at the same stated gauge, and where it is only told from hook and yarn. */
const SPREAD = { text: 0.035, hook: 0.1, usual: 0.2 } as const;

const GAUGE_WORDS = /(?<!\p{L})(?:gauge|tension|swatch)(?!\p{L})/iu;

/** What a pattern says of hook, yarn and gauge. */
export function toolsOf(pattern: Pattern, talk: readonly Talk[], document: Document): Tools {
  const { source } = pattern;
  const lineOf = ({ from }: Span) => {
    const line = lineSpan(source, lineIndexAt(source, from));
    return source.text.slice(line.from, line.to);
  };
  const materials = document.materials.length > 0 ? document.materials : unheaded(talk);
  const yarns = materials.filter(({ kind }) => kind === 'yarn').map(({ span }) => bandIn(lineOf(span)));
  const listed = talk.filter(({ section, part, text }) => section === 'materials' || (!part && listsMaterials(text)));
  const bands = [...yarns, ...listed.map(({ text }) => bandIn(text))];
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

/** The materials where no heading stands above them: in lines before the first part. */
export function unheaded(talk: readonly Talk[]): Material[] {
  const list = new MaterialList();
  for (const { text, span, part, after } of talk)
    if (part === null && after === null && listsMaterials(text)) list.add(text, span.from);
  return list.all();
}

function millimetresOf(name: string): number | null {
  const mm = /(\d{1,2}(?:[.,]\d{1,2})?)\s?(?:mm)?/iu.exec(name)?.[1];
  if (mm !== undefined && (/mm/i.test(name) || /[.,]/.test(mm))) return Number(mm.replace(',', '.'));
  return hookNamed(/[A-S](?=[/-]|$|\s)/u.exec(name)?.[0] ?? '')?.millimetres ?? (mm === undefined ? null : Number(mm));
}

/** The first gauge that a section of it states, or a line that speaks of one. */
function saidGauge({ source, sections, terms }: Pattern, talk: readonly Talk[]): SaidGauge | null {
  const places = [
    ...sections.filter(({ kind }) => kind === 'gauge').map(({ span }) => span),
    ...talk.filter(({ text }) => GAUGE_WORDS.test(text)).map(({ span }) => span),
    ...talk.filter(({ section, part }) => part === null && section !== 'legend').map(({ span }) => span),
  ];
  for (const { from, to } of places) {
    const said = gaugeIn(source.text.slice(from, to), terms.used);
    if (said) return { ...said, span: { from: from + said.span.from, to: from + said.span.to } };
  }
  return null;
}

/** How thick a yarn is, in mm: as its class lies side by side, or by the length of 100 g of loosely spun yarn. */
export function thicknessOf({ weight, metres }: Pick<Band, 'weight' | 'metres'>): number {
  // 0.15 g/cm³ makes double knitting of 220 m to 100 g as thick as its 13 wraps to an inch.
  if (metres !== null) return Math.sqrt((4 * 100) / (Math.PI * metres * LOOSE));
  const { wraps } = YARN_WEIGHTS.find(({ number }) => number === (weight ?? USUAL_WEIGHT)) ?? { wraps: 13 };
  return 25.4 / wraps;
}
const LOOSE = 0.15;

/**
 * The gauge to draw at: as a person set it, else as the text says it; hook and yarn that are set otherwise than in the
 * text change it. A loop is as wide as the hook it is formed on, and the next lies a yarn further: a stitch made for
 * stuffing is about as wide as hook and yarn together (3 mm and double knitting: 5 mm).
 */
export function gaugeFor({ hook, band, gauge }: Tools, settings: ShapeSettings = NO_SETTINGS): Gauge {
  const other = settings.hook !== null || settings.weight !== null || settings.metres !== null;
  const own = hook ?? USUAL_HOOK;
  const pitch = own + thicknessOf(band);
  const change = other ? (settings.hook ?? own) + thicknessOf(settingsBand(band, settings)) : pitch;
  const known = hook !== null || settings.hook !== null;
  const width =
    (gauge?.width ?? (hook === null && band.weight === null && band.metres === null ? USUAL : pitch)) *
    (change / pitch);
  const height = gauge?.height == null ? null : gauge.height * (change / pitch);
  const set = settings.stitches !== null;
  const across =
    settings.stitches === null ? (gauge?.width == null && height !== null ? height : width) : 100 / settings.stitches;
  const tall = settings.rounds !== null ? 100 / settings.rounds : settings.stitches === null ? height : null;
  const from = set ? 'set' : gauge ? 'text' : known ? 'hook' : 'usual';
  return {
    width: across,
    height: tall ?? across,
    spread: from === 'set' || (from === 'text' && !other) ? SPREAD.text : known || gauge ? SPREAD.hook : SPREAD.usual,
    from: from === 'text' && other ? 'hook' : from,
    square: tall === null,
  };
}

function settingsBand(band: Band, { weight, metres }: ShapeSettings): Pick<Band, 'weight' | 'metres'> {
  if (metres !== null) return { weight: null, metres };
  return weight === null ? band : { weight, metres: null };
}
