import { describe, expect, it } from 'vitest';
import { bounds, polygonArea, type Point } from '../../kit/geometry';
import { addArea, smallPlan, applyCommands } from '../../document/plan';
import { traceSheet } from '../../files/prints';
import { BadInput, chance } from '../../kit/units';
import { placeOnPanel, readSvg, readTraceSheet } from '.';

const svg = (body: string, head = 'width="100mm" height="80mm" viewBox="0 0 100 80"'): string =>
  `<svg xmlns="http://www.w3.org/2000/svg" ${head}>${body}</svg>`;

const boxOf = (points: readonly Point[]): number[] =>
  [...bounds([points])].map((mm) => Math.round(100 * mm) / 100);

let made = 0;
const newId = (): string => `id-${made++}`;

describe('a drawing', () => {
  it('comes at true size, whatever its units say', () => {
    const line = '<line x1="10" y1="20" x2="60" y2="20"/>';
    const width = (head: string): number => boxOf(readSvg(svg(line, head)).lines[0].points)[2];
    expect(width('width="100mm" height="80mm" viewBox="0 0 100 80"')).toBe(50);
    expect(width('width="10cm" height="8cm" viewBox="0 0 100 80"')).toBe(50);
    expect(width('width="50mm" height="40mm" viewBox="0 0 100 80"')).toBe(25);
    expect(width('width="1in" height="1in" viewBox="0 0 96 96"')).toBeCloseTo((50 * 25.4) / 96, 2);
    expect(width('width="100" height="80"')).toBeCloseTo((50 * 25.4) / 96, 2);
    expect(width('viewBox="0 0 100 80"')).toBeCloseTo((50 * 25.4) / 96, 2);
  });

  it('keeps its shapes: box, circle and ellipse have their areas, curves and arcs their places', () => {
    const { lines } = readSvg(
      svg(
        '<rect x="5" y="6" width="20" height="10"/><circle cx="50" cy="40" r="12"/><ellipse cx="20" cy="60" rx="10" ry="5"/>' +
          '<path d="M0 0 Q 10 20 20 0 T 40 0"/><path d="m60 60h10v10h-10z m20 0l5 5"/><polygon points="1,1 9,1 5,8"/>',
      ),
    );
    const area = (at: number): number => polygonArea([lines[at].points.slice(0, -1)]);
    expect(area(0)).toBeCloseTo(200, 6);
    expect(Math.abs(area(1) / (Math.PI * 144) - 1)).toBeLessThan(0.005);
    expect(Math.abs(area(2) / (Math.PI * 50) - 1)).toBeLessThan(0.01);
    expect(boxOf(lines[3].points)).toEqual([0, -10, 40, 20].map((mm) => expect.closeTo(mm, 0) as number));
    expect(lines.map(({ closed }) => closed)).toEqual([true, true, true, false, true, false, true]);
    expect(boxOf(lines[5].points)).toEqual([80, 60, 5, 5]);
  });

  it('stands as its groups turn and scale it, one within another', () => {
    const { lines } = readSvg(
      svg('<g transform="translate(50 40)"><g transform="rotate(90) scale(2)"><path d="M0 0H10"/></g></g>'),
    );
    expect(boxOf(lines[0].points)).toEqual([50, 40, 0, 20]);
  });

  it('goes on the panel at true size in its middle, or as large as goes', () => {
    const drawing = readSvg(svg('<rect width="100" height="80"/>'));
    const [small, large] = [
      placeOnPanel(drawing, { widthMm: 148, heightMm: 100 }, 'stamped', newId),
      placeOnPanel(drawing, { widthMm: 60, heightMm: 60 }, 'stamped', newId),
    ];
    expect(small.scale).toBe(1);
    expect(boxOf(small.lines[0].points.map(([x, y]): Point => [x, y]))).toEqual([24, 10, 100, 80]);
    expect(large.scale).toBeCloseTo(0.54, 9);
    expect(boxOf(large.lines[0].points.map(([x, y]): Point => [x, y]))).toEqual([3, 8.4, 54, 43.2]);
  });
});

describe('a hostile drawing', () => {
  const LINE = '<path d="M0 0L10 10"/>';

  it('is stripped of what runs and what fetches, and it is told', () => {
    const { lines, leftOut } = readSvg(
      svg(
        `<script>alert(1)</script><g onload="alert(2)"><path onclick="x()" d="M1 1L9 9"/></g>` +
          `<image href="http://far.example/x.png"/><a xlink:href="javascript:alert(3)"><path d="M2 2L8 2"/></a>` +
          `<foreignObject><p>words</p></foreignObject><use href="#part"/><style>@import url(x)</style>` +
          `<text>hello</text><animate attributeName="d"/>`,
      ),
    );
    expect(lines).toHaveLength(2);
    expect(leftOut).toEqual(
      expect.arrayContaining([
        'a script',
        '2 × a handler',
        '2 × a link',
        'a picture',
        '<foreignobject>',
        'words',
        '<animate>',
      ]),
    );
    expect(JSON.stringify(lines)).not.toMatch(/alert|script|http/);
  });

  it('knows no element by the name of what every object has', () => {
    for (const name of ['__proto__', 'constructor', 'toString', 'hasOwnProperty'])
      expect(readSvg(svg(`<${name}/><path d="M1 1L9 9"/>`)).lines.length).toBe(1);
  });

  it.each([
    [
      'entities',
      `<!DOCTYPE svg [<!ENTITY a "aaaa"><!ENTITY b "&a;&a;&a;">]>${svg(`<text>&b;</text>${LINE}`)}`,
      /entities/,
    ],
    ['an entity nobody declared', svg(`<text>&b;</text>${LINE}`), /damaged/],
    ['groups without end', svg('<g>'.repeat(5000) + LINE + '</g>'.repeat(5000)), /groups within groups/],
    ['a path without end', svg(`<path d="M0 0${'L1 1'.repeat(200_000)}"/>`), /half a million/],
    ['lines without end', svg(LINE.repeat(3100)), /3000 lines/],
    ['more than any card has', svg(`${LINE}${' '.repeat(5_000_001)}`), /larger than 5 MB/],
    ['half of it', svg(LINE).slice(0, 60), /damaged/],
    ['something else', '<html><body/></html>', /no SVG/],
    ['nothing', '', /damaged|empty/],
    ['no lines', svg('<text>only words</text>'), /no lines/],
    ['no size', '<svg xmlns="http://www.w3.org/2000/svg"><path d="M0 0L1 1"/></svg>', /how large/],
    ['a path of nonsense', svg('<path d="M0 0 wibble"/>'), /cannot be read/],
    ['a far-off size', svg(LINE, 'width="1e9mm" height="1mm"'), /how large/],
  ])('is refused: %s', (_, text, says) => {
    expect(() => readSvg(text)).toThrow(BadInput);
    expect(() => readSvg(text)).toThrow(says);
  });

  it('of any damage either opens with numbers in it or is refused in words: 300 of them', () => {
    const good = [
      svg(
        '<g transform="translate(5 5) rotate(20)"><path d="M0 0C10 10 20 0 30 10A5 5 0 0 1 40 40z"/><circle r="9"/></g>',
      ),
      traceSheet(smallPlan()),
      svg(
        '<polyline points="1,2 3,4 5,6"/><a href="http://x.example"><rect width="5" height="5"/></a>',
        'viewBox="0 0 9 9"',
      ),
    ];
    const random = chance(20261127);
    const pick = (most: number): number => Math.floor(random() * most);
    let [opened, refused] = [0, 0];
    for (let n = 0; n < 300; n++) {
      let text = good[n % good.length];
      for (let hurt = 0; hurt < 1 + pick(4); hurt++) {
        const at = pick(text.length);
        const bits = [
          '<',
          '>',
          '"',
          '&',
          'NaN',
          '1e999',
          '\u0000',
          '-',
          '</g>',
          '<g>',
          'Z',
          '<![CDATA[',
          String(random()),
        ];
        text =
          random() < 0.4
            ? text.slice(0, at) + text.slice(at + pick(20))
            : text.slice(0, at) + bits[pick(bits.length)] + text.slice(at);
      }
      try {
        for (const { points } of readSvg(text).lines)
          for (const [x, y] of points) expect(Number.isFinite(x) && Number.isFinite(y)).toBe(true);
        readTraceSheet(text, newId);
        opened++;
      } catch (cause) {
        expect(cause).toBeInstanceOf(BadInput);
        refused++;
      }
    }
    expect(opened).toBeGreaterThan(30);
    expect(refused).toBeGreaterThan(30);
  });
});

describe('our own sheet', () => {
  it('opens just as it was: lines with their kind and pressure, areas with their names and holes', () => {
    const plan = applyCommands(smallPlan(), [
      {
        do: 'add-line',
        line: {
          id: 'l',
          kind: 'soluble-ink',
          points: [
            [1.25, 2, 0.123],
            [11.5, 2.001, 0.9],
          ],
        },
      },
      addArea('a <ring> & "more"', [
        [
          [10, 10],
          [30, 10],
          [30, 30],
          [10, 30],
        ],
        [
          [15, 15],
          [15, 25],
          [25, 25],
        ],
      ]),
    ]).plan;
    const read = readTraceSheet(traceSheet(plan), newId)!;
    expect(read.lines.map(({ kind, points }) => ({ kind, points }))).toEqual(
      plan.lines.map(({ kind, points }) => ({ kind, points })),
    );
    expect(read.areas.map(({ name, outline }) => ({ name, outline }))).toEqual(
      plan.areas.map(({ name, outline }) => ({ name, outline })),
    );
    expect(readTraceSheet(svg('<path d="M0 0L9 9"/>'), newId)).toBeNull();
  });

  it('is refused when a line of it has lost its pressure', () => {
    const plan = applyCommands(smallPlan(), [
      {
        do: 'add-line',
        line: {
          id: 'l',
          kind: 'pencil',
          points: [
            [1, 2, 0.5],
            [3, 4, 0.5],
          ],
        },
      },
    ]).plan;
    expect(() =>
      readTraceSheet(traceSheet(plan).replace('data-pressure="0.5 0.5"', 'data-pressure="0.5"'), newId),
    ).toThrow(/a line is damaged/);
  });
});
