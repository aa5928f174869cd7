import type { Lab } from '@kettle/core/kit/colour';
import type { Polygon } from '@kettle/core/kit/geometry';

/** Lightnesses at which the reach is drawn, L*. */
export const REACH_LEVELS = [75, 55, 35] as const;

/** A mix as it dries, and the colour that was wanted of it. */
export interface ReachMark {
  readonly name: string;
  readonly lab: Lab;
  readonly hex: string;
  readonly wanted: Lab | null;
}

const LINES = ['#9aa4a8', '#5d6a70', '#1c2733'];

/** Draws regions of reach over a* and b* with the mixes in them. The drawing library is loaded on first use. */
export async function reachChart(
  host: HTMLElement,
  reaches: readonly (readonly Polygon[])[],
  marks: readonly ReachMark[],
): Promise<void> {
  const { default: plotly } = await import('plotly.js-cartesian-dist-min');
  const wanted = marks.flatMap(({ name, wanted: lab }) => (lab ? [{ name, lab }] : []));
  await plotly.newPlot(
    host,
    [
      ...reaches.map((regions, i) => {
        // Rings of one lightness are one line, broken between them.
        const line = regions.flat().flatMap((ring) => [...ring, ring[0], null]);
        return {
          ...{ type: 'scatter', mode: 'lines', name: `reach at L* ${REACH_LEVELS[i]}` },
          x: line.map((at) => at?.[0] ?? null),
          y: line.map((at) => at?.[1] ?? null),
          line: { color: LINES[i], width: 1.5, shape: 'linear' },
          hoverinfo: 'skip',
        };
      }),
      {
        ...{ type: 'scatter', mode: 'markers', name: 'mixed', text: marks.map(({ name }) => name) },
        x: marks.map(({ lab }) => lab[1]),
        y: marks.map(({ lab }) => lab[2]),
        marker: { color: marks.map(({ hex }) => hex), size: 13, line: { color: '#1c2733', width: 1 } },
        hovertemplate: '%{text}: a* %{x:.0f}, b* %{y:.0f}<extra></extra>',
      },
      {
        ...{ type: 'scatter', mode: 'markers', name: 'wanted', text: wanted.map(({ name }) => name) },
        x: wanted.map(({ lab }) => lab[1]),
        y: wanted.map(({ lab }) => lab[2]),
        marker: { color: '#9c3a1f', size: 9, symbol: 'x-thin', line: { color: '#9c3a1f', width: 2 } },
        hovertemplate: 'wanted for %{text}<extra></extra>',
      },
    ],
    {
      margin: { l: 44, r: 8, t: 8, b: 110 },
      font: { family: 'Alegreya Sans', size: 14, color: '#1c2733' },
      paper_bgcolor: '#f4f4f2',
      plot_bgcolor: '#f4f4f2',
      xaxis: { title: { text: 'a*, green to red' }, zerolinecolor: '#b9c2c4', scaleanchor: 'y' },
      yaxis: { title: { text: 'b*, blue to yellow' }, zerolinecolor: '#b9c2c4' },
      legend: { orientation: 'h', y: -0.3 },
    },
    { displayModeBar: false, responsive: true },
  );
}
