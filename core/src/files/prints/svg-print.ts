import { LETTER_MM, type PrintedLine, type TrueSize } from './true-size';
import { escapeXml, mmText } from './svg-text';

/** White round a drawing, mm. */
const MARGIN_MM = 10;

const STYLE: Readonly<Record<PrintedLine, string>> = {
  cut: 'stroke:#112;stroke-width:.3',
  score: 'stroke:#112;stroke-width:.25;stroke-dasharray:4 2',
  trim: 'stroke:#a33;stroke-width:.25;stroke-dasharray:1 1',
  show: 'stroke:#778;stroke-width:.2',
  bar: 'stroke:#112;stroke-width:.4',
};

/** A drawing as SVG whose millimetres are millimetres when it is printed at 100 %. */
export function svgPrint({ title, widthMm, heightMm, lines, words }: TrueSize): string {
  const width = mmText(widthMm + 2 * MARGIN_MM);
  const height = mmText(heightMm + 2 * MARGIN_MM);
  return [
    `<svg xmlns="http://www.w3.org/2000/svg" width="${width}mm" height="${height}mm" viewBox="0 0 ${width} ${height}">`,
    `<title>${escapeXml(title)}</title>`,
    `<g transform="translate(${MARGIN_MM} ${MARGIN_MM})" fill="none">`,
    ...lines.map(
      ({ kind, from, to }) =>
        `<path class="${kind}" style="${STYLE[kind]}" d="M${from.map(mmText).join(' ')}L${to.map(mmText).join(' ')}"/>`,
    ),
    `<g fill="#334" font-family="sans-serif" font-size="${LETTER_MM}">`,
    ...words.map(({ text, at, centred, headDown }) => {
      const [x, y] = at.map(mmText);
      const turned = headDown ? ` transform="rotate(180 ${x} ${y})"` : '';
      return `<text x="${x}" y="${y}"${centred ? ' text-anchor="middle"' : ''}${turned}>${escapeXml(text)}</text>`;
    }),
    '</g>',
    '</g>',
    '</svg>',
  ].join('\n');
}
