import { BarChart, LineChart, ScatterChart } from 'echarts/charts';
import { GridComponent, TooltipComponent } from 'echarts/components';
import { init, use, type ECharts } from 'echarts/core';
import { SVGRenderer } from 'echarts/renderers';

/** An empty chart in a place, with what ours are made of. */
export function chartIn(place: HTMLElement): ECharts {
  use([BarChart, LineChart, ScatterChart, GridComponent, TooltipComponent, SVGRenderer]);
  return init(place, undefined, { renderer: 'svg' });
}
