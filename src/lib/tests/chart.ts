import type { EChartsCoreOption } from 'echarts/core';
import type { SideBySide } from '../../core/index.js';
import type { ChartColours } from '../components/chartColours.js';

/** Minutes of each round: a thin line for each tester, and the middle of all. */
export function timesChart(
  { rows, testers }: SideBySide,
  chosen: number | null,
  wordsOf: (row: number) => string,
  colours: ChartColours,
): EChartsCoreOption {
  const minutes = (spent: number | null | undefined) =>
    spent === null || spent === undefined ? null : Math.round(spent / 6000) / 10;
  const line = { type: 'line', showSymbol: false, connectNulls: false, animation: false } as const;
  return {
    animation: false,
    textStyle: { fontFamily: 'Figtree Variable, system-ui, sans-serif', color: colours.ink },
    grid: { left: 44, right: 12, top: 14, bottom: 22 },
    tooltip: {
      trigger: 'axis',
      confine: true,
      formatter: (all: unknown) => {
        const [first] = all as { dataIndex: number }[];
        if (!first) return '';
        const row = rows[first.dataIndex];
        const each = testers.flatMap(({ name }, i) => {
          const spent = minutes(row?.cells[i]?.spent);
          return spent === null ? [] : [`${escaped(name)}: ${spent} min`];
        });
        return [escaped(wordsOf(first.dataIndex)), ...each, `middle: ${minutes(row?.spent) ?? '–'} min`].join('<br>');
      },
    },
    xAxis: { type: 'category', data: rows.map((_, i) => i + 1), axisLabel: { show: false }, axisTick: { show: false } },
    yAxis: {
      type: 'value',
      name: 'min',
      nameGap: 4,
      nameTextStyle: { color: colours.soft },
      axisLabel: { color: colours.soft },
      splitLine: { lineStyle: { color: colours.rule } },
    },
    series: [
      ...testers.map((tester, i) => ({
        ...line,
        name: tester.name,
        data: rows.map(({ cells }) => minutes(cells[i]?.spent)),
        lineStyle: { color: colours.soft, width: 1, opacity: 0.55 },
      })),
      {
        ...line,
        name: 'middle',
        data: rows.map(({ spent }) => minutes(spent)),
        lineStyle: { color: colours.ink, width: 2.5 },
      },
      {
        type: 'bar',
        name: 'here',
        silent: true,
        barWidth: 2,
        data: rows.map((_, i) => (i === chosen ? Math.max(...rows.map(({ spent }) => minutes(spent) ?? 0), 1) : null)),
        itemStyle: { color: colours.here },
      },
    ],
  };
}

function escaped(words: string): string {
  return words.replace(/[&<>"]/g, (sign) => `&#${sign.charCodeAt(0)};`);
}
