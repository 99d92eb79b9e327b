import type { Gauge } from './gauge.js';
import type { ShapeSettings } from './settings.js';
import { hookFor } from './substitute.js';
import type { Tools } from './tools.js';
import { thicknessOf, type Band } from './yarnBand.js';

/** What the sums are drawn with: hook in mm, the yarn, and the gauge that they give. */
export interface DrawnAt {
  readonly hook: number;
  readonly band: Band;
  readonly gauge: Gauge;
}

/** Where nothing tells them: double knitting on a 3 mm hook, worked for stuffing; mm. */
const USUAL_HOOK = 3;
/** By how much two hands differ at the same stated gauge, and where it is only told from hook and yarn, or from nothing. */
const SPREAD = { text: 0.035, hook: 0.1, usual: 0.2 } as const;

/**
 * What to draw at: as a person set it, else as the text says it. A loop is as wide as the hook it is formed on, and the
 * next lies a yarn further: a stitch made for stuffing is about as wide as hook and yarn together (3 mm and double
 * knitting: 5 mm). Hook or yarn set otherwise than in the text change its gauge by as much. Another yarn is worked as
 * tightly as the pattern's own, unless a hook is set for it.
 */
export function drawnAt(tools: Tools, settings: ShapeSettings): DrawnAt {
  const ownHook = tools.hook ?? USUAL_HOOK;
  const otherYarn = settings.weight !== null && settings.weight !== tools.band.weight;
  const yarn = otherYarn ? { weight: settings.weight, metres: null, ball: null } : tools.band;
  const hook = settings.hook ?? (otherYarn ? hookFor(ownHook, tools.band, yarn) : ownHook);
  const times = (hook + thicknessOf(yarn)) / (ownHook + thicknessOf(tools.band));
  const changed = otherYarn || settings.hook !== null;
  return {
    hook,
    band: { weight: yarn.weight, metres: settings.metres ?? yarn.metres, ball: settings.ball ?? yarn.ball },
    gauge: asSet(ownGauge(tools, times, changed), settings),
  };
}

/** The gauge of the text, or of its hook and yarn, with stitches so many times as large. */
function ownGauge(tools: Tools, times: number, changed: boolean): Gauge {
  const { hook, band, gauge } = tools;
  const pitch = (hook ?? USUAL_HOOK) + thicknessOf(band);
  const width = gauge?.width ?? gauge?.height ?? pitch;
  const height = gauge?.height ?? null;
  const from = sourceOf(tools, changed);
  return {
    width: width * times,
    height: (height ?? width) * times,
    spread: SPREAD[from],
    from,
    square: height === null,
  };
}

function sourceOf({ hook, band, gauge }: Tools, changed: boolean): 'text' | 'hook' | 'usual' {
  if (gauge && !changed) return 'text';
  return changed || gauge || hook !== null || band.weight !== null || band.metres !== null ? 'hook' : 'usual';
}

function asSet(own: Gauge, { stitches, rounds }: ShapeSettings): Gauge {
  if (stitches === null && rounds === null) return own;
  const width = stitches === null ? own.width : 100 / stitches;
  const height = rounds === null ? (stitches === null ? own.height : width) : 100 / rounds;
  return { width, height, spread: SPREAD.text, from: 'set', square: rounds === null };
}
