import type { EChartsCoreOption } from 'echarts/core';
import type { SideBySide } from '../../core/index.js';
import type { ChartColours } from '../components/chartColours.js';

/** Of one strip, and of what stands above and below all of them; pixels. */
const STRIP = 26;
const MARGIN = 8;
const NAMES = 104;

/** How high the strips of so many testers are, with that of the middle; rem of 16 pixels. */
export function stripsHeight(testers: number): number {
  return ((testers + 1) * STRIP + 2 * MARGIN) / 16;
}

/**
 * The time of each round, a strip for each tester below that of the middle of all; on one scale, so that strips can be
 * compared.
 */
export function timesChart(
  { rows, testers }: SideBySide,
  wordsOf: (row: number) => string,
  colours: ChartColours,
): EChartsCoreOption {
  const strips = [
    { name: 'middle of all', of: rows.map(({ spent }) => minutesOf(spent)), colour: colours.ink },
    ...testers.map(({ name }, i) => ({
      name,
      of: rows.map(({ times }) => minutesOf(times[i])),
      colour: colours.soft,
    })),
  ];
  const most = Math.max(1, ...strips.flatMap(({ of }) => of.map((spent) => spent ?? 0)));
  const data = rows.map((_, i) => i);
  const hidden = { axisLabel: { show: false }, axisTick: { show: false }, axisLine: { show: false } };
  return {
    animation: false,
    textStyle: { fontFamily: 'Figtree Variable, system-ui, sans-serif', color: colours.ink },
    axisPointer: { link: [{ xAxisIndex: 'all' }] },
    grid: strips.map((_, i) => ({ left: NAMES, right: 12, top: MARGIN + i * STRIP, height: STRIP - 4 })),
    tooltip: {
      trigger: 'axis',
      confine: true,
      formatter: (points: unknown) => {
        const [first] = points as { dataIndex: number }[];
        if (!first) return '';
        const each = strips.flatMap(({ name, of }) => {
          const spent = of[first.dataIndex] ?? null;
          return spent === null ? [] : [`${escaped(name)}: ${spent} min`];
        });
        return [escaped(wordsOf(first.dataIndex)), ...each].join('<br>');
      },
    },
    xAxis: strips.map((_, i) => ({
      ...hidden,
      type: 'category',
      gridIndex: i,
      data,
      axisLine: { lineStyle: { color: colours.rule } },
    })),
    yAxis: strips.map(({ name, colour }, i) => ({
      ...hidden,
      type: 'value',
      gridIndex: i,
      max: most,
      splitLine: { show: false },
      name,
      nameLocation: 'middle',
      nameRotate: 0,
      nameGap: NAMES - 8,
      nameTextStyle: {
        align: 'left',
        color: colour,
        fontWeight: i === 0 ? 600 : 400,
      },
      nameTruncate: { maxWidth: NAMES - 16 },
    })),
    series: strips.map(({ name, of, colour }, i) => ({
      type: 'line',
      step: 'middle',
      silent: true,
      showSymbol: false,
      name,
      xAxisIndex: i,
      yAxisIndex: i,
      data: of,
      lineStyle: { color: colour, width: 1 },
      itemStyle: { color: colour },
      areaStyle: { color: colour, opacity: i === 0 ? 0.5 : 0.25 },
    })),
  };
}

function minutesOf(spent: number | null | undefined): number | null {
  return spent === null || spent === undefined ? null : Math.round(spent / 6000) / 10;
}

function escaped(words: string): string {
  return words.replace(/[&<>"]/g, (sign) => `&#${sign.charCodeAt(0)};`);
}
