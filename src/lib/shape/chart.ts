import type { EChartsCoreOption } from 'echarts/core';
import type { Shape, ShapeRing } from '../../core/index.js';
import type { ChartColours } from '../components/chartColours.js';
import { dyeOf, UNSAID } from './dyes.js';

/** Room between parts, in rounds. */
const BETWEEN = 1;
/** More rings than this are drawn without a bar for each yarn. */
const MOST_BARS = 1500;

/** A ring of all parts, with its place along the chart. */
interface Bar {
  readonly x: number;
  readonly part: number;
  readonly ring: number;
  readonly of: ShapeRing;
}

/** The rings of all parts side by side. */
export function barsOf({ parts }: Pick<Shape, 'parts'>): Bar[] {
  let x = 0;
  return parts.flatMap(({ rings }, part) => {
    const bars = rings.map((of, ring): Bar => ({ x: x + ring, part, ring, of }));
    x += rings.length + BETWEEN;
    return bars;
  });
}

/** Stitches of all rounds as a chart: a bar in the colours of the yarn, the stated count as a stroke, what is off marked. */
export function chartOf(
  shape: Shape,
  dyes: Readonly<Record<string, string>>,
  here: { readonly part: number; readonly ring: number | null },
  colours: ChartColours,
): EChartsCoreOption {
  const bars = barsOf(shape);
  const count = (bars.at(-1)?.x ?? 0) + 1;
  const yarns = [...shape.yarns.map(({ name }, i) => dyes[name?.toLowerCase() ?? ''] ?? dyeOf(name, i)), UNSAID];
  const coarse = bars.length > MOST_BARS;
  const names = new Map(shape.parts.map(({ name }, part) => [bars.find((bar) => bar.part === part)?.x ?? -1, name]));
  const label = (x: number) => {
    const bar = bars.find((one) => one.x === x);
    return bar ? `${shape.parts[bar.part]?.name ?? ''}, ${bar.of.label}` : '';
  };
  return {
    animation: false,
    textStyle: { fontFamily: 'Figtree Variable, system-ui, sans-serif', color: colours.ink },
    grid: { left: 44, right: 12, top: 14, bottom: 22 },
    tooltip: {
      trigger: 'axis',
      axisPointer: { type: 'none' },
      confine: true,
      formatter: (all: unknown) => tooltip(all, bars, label),
    },
    xAxis: {
      type: 'category',
      data: Array.from({ length: count }, (_, i) => i),
      axisTick: { show: false },
      axisLine: { lineStyle: { color: colours.rule } },
      axisLabel: {
        interval: (i: number) => names.has(i),
        formatter: (i: string) => names.get(Number(i)) ?? '',
        color: colours.soft,
        align: 'left',
        hideOverlap: true,
        width: 120,
        overflow: 'truncate',
      },
    },
    yAxis: {
      type: 'value',
      minInterval: 1,
      axisLabel: { color: colours.soft },
      splitLine: { lineStyle: { color: colours.rule } },
    },
    series: [
      ...yarns.map((colour, yarn) => ({
        type: 'bar',
        stack: 'yarn',
        barCategoryGap: coarse ? '0%' : '20%',
        itemStyle: { color: colour, borderColor: colours.rule, borderWidth: coarse ? 0 : 1 },
        data: bars.flatMap(({ x, part, ring, of }) => {
          const stitches = of.colours.reduce(
            (sum, [own, some]) => sum + ((own ?? yarns.length - 1) === yarn ? some : 0),
            0,
          );
          const lit = part === here.part && ring === here.ring;
          return stitches > 0
            ? [
                {
                  value: [x, stitches],
                  part,
                  ring,
                  ...(lit ? { itemStyle: { borderColor: colours.here, borderWidth: 2 } } : {}),
                },
              ]
            : [];
        }),
      })),
      {
        type: 'scatter',
        symbol: 'rect',
        symbolSize: [7, 2],
        itemStyle: { color: colours.ink },
        data: bars.flatMap(({ x, part, ring, of }) =>
          of.stated === null
            ? []
            : [
                {
                  value: [x, of.stated],
                  part,
                  ring,
                  itemStyle: { color: of.stated === of.made ? colours.ink : colours.off },
                },
              ],
        ),
      },
      {
        type: 'scatter',
        symbol: 'triangle',
        symbolRotate: 180,
        symbolSize: 8,
        symbolOffset: [0, -9],
        itemStyle: { color: colours.off },
        data: bars.flatMap(({ x, part, ring, of }) =>
          of.verdict === 'off' ? [{ value: [x, Math.max(of.made ?? 0, of.stated ?? 0)], part, ring }] : [],
        ),
      },
    ],
  };
}

function tooltip(all: unknown, bars: readonly Bar[], label: (x: number) => string): string {
  const [first] = (Array.isArray(all) ? all : [all]) as { value?: unknown }[];
  const x = Array.isArray(first?.value) ? Number(first.value[0]) : -1;
  const of = bars.find((bar) => bar.x === x)?.of;
  if (!of) return '';
  const stated = of.stated === null ? '' : `, stated ${of.stated}`;
  const escape = (words: string) => words.replace(/[&<>]/g, (sign) => `&#${sign.charCodeAt(0)};`);
  return `${escape(label(x))}<br>${of.made ?? '?'} stitches${stated}`;
}
