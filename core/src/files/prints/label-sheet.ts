import type { Pigment } from '../../materials/pigment';
import type { Studio } from '../../document/plan';
import { escapeXml, mmText } from './svg-text';

/** A label for a pan or a tube, and how many stand side by side, mm. */
const LABEL = { widthMm: 44, heightMm: 20 };
const COLUMNS = 4;
const MARGIN_MM = 12;
const CUT_MM = 3;

/** Longer names are cut off: they would run over the edge of the label. */
const MOST_SIGNS = 26;

/** Labels of the paint box at true size as SVG in mm: the painter’s name, code, place, and a blank to be painted. */
export function labelSheet(box: Studio['box'], pigments: readonly Pigment[], title: string): string {
  const rows = Math.max(1, Math.ceil(box.length / COLUMNS));
  const width = 2 * MARGIN_MM + COLUMNS * (LABEL.widthMm + CUT_MM);
  const height = 2 * MARGIN_MM + rows * (LABEL.heightMm + CUT_MM);
  const text = (x: number, y: number, says: string, large = false): string =>
    `<text${large ? ' class="large"' : ''} x="${mmText(x)}" y="${mmText(y)}">${escapeXml(says.slice(0, MOST_SIGNS))}</text>`;
  return [
    `<svg xmlns="http://www.w3.org/2000/svg" width="${mmText(width)}mm" height="${mmText(height)}mm" viewBox="0 0 ${mmText(width)} ${mmText(height)}">`,
    `<title>${escapeXml(title)}</title>`,
    '<style>rect{fill:none;stroke:#334;stroke-width:.2}text{font:2.5px sans-serif;fill:#334}.large{font-size:3.2px}</style>',
    ...box.flatMap(({ code, label, place }, i) => {
      const x = MARGIN_MM + (i % COLUMNS) * (LABEL.widthMm + CUT_MM);
      const y = MARGIN_MM + Math.floor(i / COLUMNS) * (LABEL.heightMm + CUT_MM);
      const pigment = pigments.find((p) => p.code === code);
      const name = pigment?.name ?? code;
      return [
        `<rect x="${mmText(x)}" y="${mmText(y)}" width="${LABEL.widthMm}" height="${LABEL.heightMm}"/>`,
        `<rect x="${mmText(x + LABEL.widthMm - 12)}" y="${mmText(y + 9)}" width="10" height="9"/>`,
        text(x + 2, y + 5, label === '' ? name : label, true),
        text(x + 2, y + 9.5, label === '' ? '' : name),
        text(x + 2, y + 13.5, code),
        text(
          x + 2,
          y + 17.5,
          [place, pigment && pigment.hazard !== 'none' ? pigment.hazard : ''].filter(Boolean).join(' · '),
        ),
      ];
    }),
    '</svg>',
  ].join('\n');
}
