import { BarChart, HeatmapChart, LineChart } from 'echarts/charts';
import {
  GridComponent,
  LegendComponent,
  MarkLineComponent,
  PolarComponent,
  TooltipComponent,
  VisualMapComponent,
} from 'echarts/components';
import { init, use as register } from 'echarts/core';
import { SVGRenderer } from 'echarts/renderers';

register([
  BarChart,
  HeatmapChart,
  LineChart,
  GridComponent,
  LegendComponent,
  MarkLineComponent,
  PolarComponent,
  TooltipComponent,
  VisualMapComponent,
  SVGRenderer,
]);

export { init };
export { SERIES } from '../model/colours';
export type { EChartsCoreOption as ChartOption, EChartsType as Drawn } from 'echarts/core';

export const MONTHS = 'Jan Feb Mar Apr May Jun Jul Aug Sep Oct Nov Dec'.split(' ');

/** The page's own colours and letters, as they are now. */
export function pageStyle() {
  const of = (name: string) =>
    getComputedStyle(document.documentElement).getPropertyValue(name).trim();
  return {
    ink: of('--ink'),
    muted: of('--muted'),
    line: of('--line'),
    panel: of('--panel'),
  };
}

/** What all charts have alike. */
export function base(style = pageStyle()) {
  const axis = {
    axisLine: { lineStyle: { color: style.line } },
    axisTick: { show: false },
    axisLabel: { color: style.muted, fontSize: 11, hideOverlap: true },
    splitLine: { lineStyle: { color: style.line, opacity: 0.6 } },
  };
  return {
    animation: false,
    textStyle: {
      fontFamily: "'Atkinson Hyperlegible Next Variable', sans-serif",
      color: style.ink,
    },
    grid: { left: 8, right: 12, top: 30, bottom: 4, containLabel: true },
    tooltip: {
      trigger: 'axis' as const,
      backgroundColor: style.panel,
      borderColor: style.line,
      textStyle: { color: style.ink, fontSize: 12 },
    },
    legend: {
      top: 0,
      left: 0,
      itemWidth: 12,
      itemHeight: 8,
      textStyle: { color: style.ink, fontSize: 11 },
    },
    xAxis: axis,
    yAxis: { ...axis, type: 'value' as const },
  };
}

/** Axes of bars that lie, a row for each label from above. */
export const lying = (b: ReturnType<typeof base>, labels: string[], width: number) => ({
  tooltip: { ...b.tooltip, axisPointer: { type: 'shadow' } },
  xAxis: b.yAxis,
  yAxis: {
    ...b.xAxis,
    type: 'category',
    inverse: true,
    data: labels,
    axisLabel: { ...b.xAxis.axisLabel, width, overflow: 'truncate' },
  },
});

/** "Jul 14" of an hour of a year of 365 days. */
export function dayOf(hour: number): string {
  const d = new Date(Date.UTC(2018, 0, 1) + hour * 3_600_000);
  return `${MONTHS[d.getUTCMonth()]} ${d.getUTCDate()}`;
}

/** "0.0" for "-0.0". */
export const noMinus = (figure: string) => (/^-0\.?0*$/.test(figure) ? figure.slice(1) : figure);
