import type { Polygon } from '../../kit/geometry';
import { paintedOf, type Plan } from '../../document/plan';
import { escapeXml, fineText, mmText } from './svg-text';

/** Room round the sheet for the ruler bar and the words, mm. */
const MARGIN_MM = 12;

/** Length of the bar by which the printer is checked, mm. */
const RULER_MM = 50;

/** What is printed on a sheet the size of the panel. */
export interface PanelSheet {
  readonly title: string;
  /** Left and right changed over: what is drawn, not what is written under it. */
  readonly mirrored: boolean;
  /** SVG elements in mm from the panel’s corner. */
  readonly drawn: readonly string[];
  /** Attributes of the whole, for who reads it again. */
  readonly marked?: string;
}

/** A sheet at true size as SVG in mm, to be printed at 100 %: what is drawn on the panel, and a ruler bar to check the printer by. */
export function panelSheet(plan: Plan, { title, mirrored, drawn, marked = '' }: PanelSheet): string {
  const { paint, panel } = paintedOf(plan);
  const rim = [(paint.widthMm - panel.widthMm) / 2, (paint.heightMm - panel.heightMm) / 2] as const;
  const [width, height] = [
    mmText(Math.max(paint.widthMm, RULER_MM) + 2 * MARGIN_MM),
    mmText(paint.heightMm + 3 * MARGIN_MM),
  ];
  const left = mmText(mirrored ? paint.widthMm - rim[0] : rim[0]);
  return [
    `<svg xmlns="http://www.w3.org/2000/svg" ${marked} width="${width}mm" height="${height}mm" viewBox="0 0 ${width} ${height}">`,
    `<title>${escapeXml(title)}${mirrored ? ', mirrored' : ''}</title>`,
    STYLE,
    `<g transform="translate(${MARGIN_MM} ${MARGIN_MM})">`,
    `<rect class="sheet" width="${mmText(paint.widthMm)}" height="${mmText(paint.heightMm)}"/>`,
    `<g transform="translate(${left} ${mmText(rim[1])})${mirrored ? ' scale(-1 1)' : ''}">`,
    `<rect class="panel" width="${mmText(panel.widthMm)}" height="${mmText(panel.heightMm)}"/>`,
    ...drawn,
    '</g>',
    rulerBar(paint.heightMm + 6),
    `<text x="${RULER_MM + 4}" y="${mmText(paint.heightMm + 8)}">print at 100 %; the bar is ${RULER_MM} mm</text>`,
    `<text x="0" y="${mmText(paint.heightMm + 16)}">${escapeXml(plan.title)} · panel ${mmText(panel.widthMm)} × ${mmText(panel.heightMm)} mm</text>`,
    '</g>',
    '</svg>',
  ].join('\n');
}

const STYLE =
  '<style>rect,path,polyline,line,circle{fill:none;stroke:#334;stroke-width:.25}' +
  '.sheet{stroke-dasharray:2 1}' +
  '.fold{stroke-dasharray:3 1 .6 1}path.shield{fill:#d8dcdf;stroke:none}.pencil{stroke:#667}.bar{stroke-width:.4}.cut{stroke:#112;stroke-width:.35}' +
  'text{font:3px sans-serif;fill:#334}</style>';

function rulerBar(y: number): string {
  const ticks = Array.from(
    { length: RULER_MM / 10 + 1 },
    (_, i) => `M${i * 10} ${mmText(y - 1.5)}V${mmText(y + 1.5)}`,
  );
  return `<path class="bar" id="ruler" d="M0 ${mmText(y)}H${RULER_MM}${ticks.join('')}"/>`;
}

/** A polygon with its holes as an SVG path. */
export const svgPath = (outline: Polygon): string =>
  outline.map((ring) => `M${ring.map(([x, y]) => `${fineText(x)} ${fineText(y)}`).join('L')}Z`).join('');
