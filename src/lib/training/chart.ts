import type { EChartsCoreOption } from 'echarts/core';
import type { ChartColours } from '../components/chartColours.js';
import type { PracticeEntry } from '../training.js';

/** So many marks are drawn, and so many are taken together for the line. */
const MOST = 60;
const TOGETHER = 5;

/** Marks one after the other, and the middle of the last few. */
export function marksChart(entries: readonly PracticeEntry[], colours: ChartColours): EChartsCoreOption {
  const ended = entries
    .filter((entry): entry is PracticeEntry & { mark: number } => entry.mark !== null)
    .slice(0, MOST)
    .reverse();
  const marks = ended.map(({ mark }) => Math.round(100 * mark));
  return {
    animation: false,
    textStyle: { fontFamily: 'Figtree Variable, system-ui, sans-serif', color: colours.ink },
    grid: { left: 34, right: 12, top: 10, bottom: 22 },
    tooltip: {
      trigger: 'axis',
      confine: true,
      formatter: (points: unknown) => {
        const entry = ended[(points as { dataIndex: number }[])[0]?.dataIndex ?? -1];
        return entry ? `${Math.round(100 * entry.mark)} of 100, level ${entry.level}` : '';
      },
    },
    xAxis: {
      type: 'category',
      data: ended.map((_, i) => i + 1),
      axisLine: { lineStyle: { color: colours.rule } },
      axisLabel: { color: colours.soft },
    },
    yAxis: {
      min: 0,
      max: 100,
      interval: 50,
      axisLabel: { color: colours.soft },
      splitLine: { lineStyle: { color: colours.rule } },
    },
    series: [
      { type: 'scatter', data: marks, symbolSize: 7, itemStyle: { color: colours.soft } },
      {
        type: 'line',
        data: marks.map((_, i) => middle(marks.slice(Math.max(0, i + 1 - TOGETHER), i + 1))),
        symbol: 'none',
        lineStyle: { color: colours.here, width: 2 },
      },
    ],
  };
}

const middle = (all: readonly number[]): number => Math.round(all.reduce((sum, one) => sum + one, 0) / all.length);
