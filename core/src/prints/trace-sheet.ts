import { interiorPoint, type Polygon } from '../geometry';
import type { Setting } from '../lettering';
import { paintedOf, type Plan } from '../plan';
import { OWN_SHEET } from '../tracing';
import { escapeXml, fineText, mmText } from './svg-text';

/** Room round the sheet for the ruler bar and the words, mm. */
const MARGIN_MM = 12;

/** Length of the bar by which the printer is checked, mm. */
const RULER_MM = 50;

/** What a trace sheet can be besides as it is. */
export interface SheetChoices {
  /** The words of the plan as they stand. */
  readonly settings?: ReadonlyMap<string, Setting>;
  /** Left and right changed over, for a sheet whose back is rubbed with pencil; then nothing is named. */
  readonly mirrored?: boolean;
}

const NO_WORDS: ReadonlyMap<string, Setting> = new Map();

/**
 * The panel at true size as SVG in mm, to be printed at 100 % and traced over a lit pad: sheet to be
 * painted, visible panel, areas with their names, pencil lines, and a ruler bar to check the printer by.
 */
export function traceSheet(plan: Plan, { settings = NO_WORDS, mirrored = false }: SheetChoices = {}): string {
  const { paint, panel } = paintedOf(plan);
  const rim = [(paint.widthMm - panel.widthMm) / 2, (paint.heightMm - panel.heightMm) / 2] as const;
  const width = Math.max(paint.widthMm, RULER_MM) + 2 * MARGIN_MM;
  const height = paint.heightMm + 3 * MARGIN_MM;
  const areas = plan.areas.map(
    ({ name, outline }) =>
      `<path class="area" data-name="${escapeXml(name)}" d="${pathOf(outline)}"/>${mirrored ? '' : label(name, interiorPoint(outline))}`,
  );
  const lines = plan.lines.map(
    ({ kind, points }) =>
      `<polyline class="pencil" data-kind="${kind}" data-pressure="${points.map(([, , p]) => fineText(p)).join(' ')}" points="${points.map(([x, y]) => `${fineText(x)},${fineText(y)}`).join(' ')}"/>`,
  );
  const words = plan.words.flatMap(({ id }) =>
    (settings.get(id)?.letters ?? []).map(({ contours }) => `<path class="words" d="${pathOf(contours)}"/>`),
  );
  return [
    `<svg xmlns="http://www.w3.org/2000/svg" ${OWN_SHEET}="1" width="${mmText(width)}mm" height="${mmText(height)}mm" viewBox="0 0 ${mmText(width)} ${mmText(height)}">`,
    `<title>${escapeXml(plan.title)}, trace sheet at true size${mirrored ? ', mirrored' : ''}</title>`,
    STYLE,
    `<g transform="translate(${MARGIN_MM} ${MARGIN_MM})">`,
    `<rect class="sheet" width="${mmText(paint.widthMm)}" height="${mmText(paint.heightMm)}"/>`,
    `<g transform="translate(${mmText(mirrored ? paint.widthMm - rim[0] : rim[0])} ${mmText(rim[1])})${mirrored ? ' scale(-1 1)' : ''}">`,
    `<rect class="panel" width="${mmText(panel.widthMm)}" height="${mmText(panel.heightMm)}"/>`,
    ...areas,
    ...lines,
    ...words,
    '</g>',
    rulerBar(paint.heightMm + 6),
    `<text x="${RULER_MM + 4}" y="${mmText(paint.heightMm + 8)}">print at 100 %; the bar is ${RULER_MM} mm</text>`,
    `<text x="0" y="${mmText(paint.heightMm + 16)}">${escapeXml(plan.title)} · panel ${mmText(panel.widthMm)} × ${mmText(panel.heightMm)} mm</text>`,
    '</g>',
    '</svg>',
  ].join('\n');
}

const STYLE =
  '<style>rect,path,polyline,line{fill:none;stroke:#334;stroke-width:.25}' +
  '.sheet{stroke-dasharray:2 1}.pencil{stroke:#667}.bar{stroke-width:.4}' +
  'text{font:3px sans-serif;fill:#334}</style>';

function rulerBar(y: number): string {
  const ticks = Array.from(
    { length: RULER_MM / 10 + 1 },
    (_, i) => `M${i * 10} ${mmText(y - 1.5)}V${mmText(y + 1.5)}`,
  );
  return `<path class="bar" id="ruler" d="M0 ${mmText(y)}H${RULER_MM}${ticks.join('')}"/>`;
}

const pathOf = (outline: Polygon): string =>
  outline.map((ring) => `M${ring.map(([x, y]) => `${fineText(x)} ${fineText(y)}`).join('L')}Z`).join('');

const label = (name: string, [x, y]: readonly [number, number]): string =>
  `<text x="${mmText(x)}" y="${mmText(y)}" text-anchor="middle">${escapeXml(name)}</text>`;
