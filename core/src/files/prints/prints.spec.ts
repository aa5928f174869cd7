import { unzlibSync } from 'fflate';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { smallPlan, applyCommands, type Plan } from '../../document/plan';
import { formatLength } from '../../kit/units';
import { cardAtTrueSize, cutTemplate, pdfPrint, shieldSheet, svgPrint, traceSheet, type TrueSize } from '.';

const mm = (value: number): string => formatLength(value, 'mm');
const withFormat = (change: Partial<Plan['card']>): Plan =>
  applyCommands(smallPlan(), [{ do: 'set-format', change }]).plan;

const PT_PER_MM = 72 / 25.4;

/** The lines of each page of a PDF, mm from its top left corner, read from its content streams. */
function pagesOf(pdf: Uint8Array): { widthMm: number; heightMm: number; lines: number[][] }[] {
  const text = Buffer.from(pdf).toString('latin1');
  const boxes = [...text.matchAll(/MediaBox \[ 0 0 ([\d.]+) ([\d.]+) \]/g)];
  const streams = [...text.matchAll(/stream\r?\n([\s\S]*?)\r?\nendstream/g)]
    .map(([, body]) => inflated(Buffer.from(body, 'latin1')))
    .filter((body) => / [lS]\n/.test(body));
  return streams.map((body, i) => {
    const heightMm = Number(boxes.at(i)?.[2] ?? boxes[0][2]) / PT_PER_MM;
    const lines = [...body.matchAll(/([-\d.]+) ([-\d.]+) m\n([-\d.]+) ([-\d.]+) l/g)].map((found) =>
      found.slice(1).map((value, at) => {
        const along = Number(value) / PT_PER_MM;
        return at % 2 === 0 ? along : heightMm - along;
      }),
    );
    return { widthMm: Number(boxes.at(i)?.[1] ?? boxes[0][1]) / PT_PER_MM, heightMm, lines };
  });
}

function inflated(body: Uint8Array): string {
  try {
    return Buffer.from(unzlibSync(body)).toString('latin1');
  } catch {
    // Not every stream of a PDF is packed.
    return Buffer.from(body).toString('latin1');
  }
}

const lengthOf = ([x1, y1, x2, y2]: number[]): number => Math.hypot(x2 - x1, y2 - y1);
const of = (drawing: TrueSize, kind: string): TrueSize['lines'] =>
  drawing.lines.filter((line) => line.kind === kind);

describe('a card at true size', () => {
  it('is cut round, scored and trimmed where the numbers say', () => {
    const drawing = cardAtTrueSize(withFormat({ border: 'bleed' }), mm);
    // The card is 156 × 108 mm, opened 312 × 108, painted 3 mm past every edge.
    const xs = (kind: string): number[] => of(drawing, kind).flatMap(({ from, to }) => [from[0], to[0]]);
    expect([Math.min(...xs('cut')), Math.max(...xs('cut'))]).toEqual([0, 318]);
    expect([Math.min(...xs('trim')), Math.max(...xs('trim'))]).toEqual([3, 315]);
    expect(xs('score')).toEqual([159, 159]);
  });

  it('says which face lies where, the back of a top fold head down', () => {
    const { words } = cardAtTrueSize(withFormat({ fold: 'top' }), mm);
    const back = words.find(({ text }) => text.startsWith('back'))!;
    const front = words.find(({ text }) => text.startsWith('front'))!;
    expect([back.headDown, front.headDown]).toEqual([true, false]);
    expect(front.at[1]).toBeGreaterThan(back.at[1]);
  });

  it('as SVG: a user unit is a millimetre, the bar 100 of them', () => {
    const svg = svgPrint(cardAtTrueSize(withFormat({}), mm));
    const [, width, height, box] = /width="([\d.]+)mm" height="([\d.]+)mm" viewBox="0 0 ([^"]+)"/.exec(svg)!;
    expect(box).toBe(`${width} ${height}`);
    expect(svg).toMatch(/class="bar"[^>]* d="M0 [\d.]+L100 [\d.]+"/);
    expect(svg).toMatch(/class="score"[^>]* d="M156 0L156 108"/);
  });
});

describe('a PDF', () => {
  it('has a bar of 100 mm on every page, on either paper', async () => {
    for (const page of ['a4', 'letter'] as const) {
      const pages = pagesOf(await pdfPrint(cardAtTrueSize(withFormat({}), mm), page));
      expect(pages.length).toBeGreaterThan(1);
      for (const { lines, widthMm, heightMm } of pages) {
        const bar = lines.filter((line) => Math.abs(lengthOf(line) - 100) < 0.01 && line[1] > heightMm - 20);
        expect(bar).toHaveLength(1);
        expect(bar[0][2]).toBeLessThan(widthMm - 8);
      }
    }
  });

  it('has scores, trims and cuts where the drawing has them, pages laid over each other', async () => {
    const drawing = cardAtTrueSize(withFormat({ border: 'bleed' }), mm);
    const pages = pagesOf(await pdfPrint(drawing, 'a4'));
    // A4 lying, 281 mm of it for the drawing, of which neighbours share 8.
    const step = pages[0].widthMm - 16 - 8;
    pages.forEach(({ lines }, i) => {
      for (const { from, to } of drawing.lines) {
        const wanted = [from[0] + 8 - i * step, from[1] + 8, to[0] + 8 - i * step, to[1] + 8];
        expect(
          lines.some((line) => line.every((at, n) => Math.abs(at - wanted[n]) < 0.01)),
          wanted.join(' '),
        ).toBe(true);
      }
    });
    // All of the drawing is seen on some page.
    expect(8 + 318 - (pages.length - 1) * step).toBeLessThan(pages[0].widthMm - 8);
  });

  it('puts a small card on one page, and steps and strange letters do not stop it', async () => {
    const small = withFormat({ fold: 'flat' });
    const one = await pdfPrint(cardAtTrueSize(small, mm), 'a4');
    expect(pagesOf(one)).toHaveLength(1);
    const titled = { ...small, title: 'Чайник ☂' };
    const steps = Array.from({ length: 70 }, (_, i) => `${i + 1}. Cut 雨 from the left.`);
    const pdf = await pdfPrint(cardAtTrueSize(titled, mm), 'a4', steps);
    // Forty-four lines go on a page.
    expect(
      Buffer.from(pdf)
        .toString('latin1')
        .match(/\/Type \/Page\n/g),
    ).toHaveLength(3);
  });
});

describe('the trace sheet', () => {
  const svg = traceSheet(
    applyCommands(smallPlan(), [
      { do: 'rename', title: 'Fish & <chips>' },
      {
        do: 'add-line',
        line: {
          id: 'l',
          kind: 'pencil',
          points: [
            [1, 2, 0.5],
            [11, 2, 0.5],
          ],
        },
      },
    ]).plan,
  );

  it('is at true size: its units are mm and one user unit is one mm', () => {
    const [, width, height, boxWidth, boxHeight] =
      /width="([\d.]+)mm" height="([\d.]+)mm" viewBox="0 0 ([\d.]+) ([\d.]+)"/.exec(svg)!;
    expect([width, height]).toEqual([boxWidth, boxHeight]);
    expect(svg).toContain('<rect class="sheet" width="156" height="108"/>');
    expect(svg).toContain('<rect class="panel" width="148" height="100"/>');
    expect(svg).toContain('translate(4 4)');
  });

  it('mirrored has left and right changed over about the same sheet, and names nothing', () => {
    const mirrored = traceSheet(smallPlan(), { mirrored: true });
    expect(mirrored).toContain('translate(152 4) scale(-1 1)');
    expect(mirrored).toContain('<rect class="sheet" width="156" height="108"/>');
    expect(mirrored.match(/<text/g)).toHaveLength(2);
  });

  it('has a ruler bar of 50 mm with a tick each centimetre', () => {
    const bar = /id="ruler" d="([^"]+)"/.exec(svg)![1];
    expect(bar).toMatch(/^M0 [\d.]+H50/);
    expect(bar.match(/V/g)).toHaveLength(6);
  });

  it('shows areas, names and pencil, and escapes words', () => {
    expect(svg.match(/class="area"/g)).toHaveLength(3);
    expect(svg).toContain('points="1,2 11,2"');
    expect(svg).toContain('Fish &amp; &lt;chips&gt;');
    expect(svg).not.toContain('<chips>');
  });
});

describe('the cutting template', () => {
  it('is mirrored, has the cut lines with their bridges and a cross at every corner; nothing to cut makes none', () => {
    const opened = smallPlan({ do: 'open', area: 'boat', opening: true });
    const svg = cutTemplate(opened)!;
    expect(svg).toContain('scale(-1 1)');
    expect(svg).toContain('<path class="cut" d="M60 20L80 20L80 40L60 40Z"/>');
    expect(svg.match(/class="register"/g)).toHaveLength(4);
    expect(cutTemplate(smallPlan())).toBeNull();
  });
});

const plan = smallPlan();

describe('a shield', () => {
  it('covers its area and no more, or all of the panel but the area, and is cut along its edge at true size', () => {
    const boat = 'M60 20L80 20L80 40L60 40Z';
    const [shield, reverse] = [
      shieldSheet(smallPlan(), ['boat'], false),
      shieldSheet(smallPlan(), ['boat'], true),
    ];
    for (const svg of [shield, reverse]) {
      expect(svg).toContain(`<path class="cut" d="${boat}"/>`);
      expect(svg).toContain('id="ruler"');
    }
    expect(shield).toContain(`<path class="shield" fill-rule="evenodd" d="${boat}"/>`);
    expect(reverse).toContain(`d="M0 0L148 0L148 100L0 100Z${boat}"/>`);
    expect(reverse).toContain('shield for all but boat');
  });
});

describe('the trace sheet of any title and name', () => {
  it('is one SVG without loose markup', () => {
    fc.assert(
      fc.property(fc.string({ minLength: 1, maxLength: 60 }), (words) => {
        const named = { ...plan, title: words, areas: plan.areas.map((area) => ({ ...area, name: words })) };
        const svg = traceSheet(named);
        const texts = [...svg.matchAll(/<text[^>]*>([^<]*)<\/text>/g)].map(([, text]) => text);
        expect(texts).toHaveLength(plan.areas.length + 2);
        for (const text of texts) expect(text.replace(/&(amp|lt|gt|quot);/g, '')).not.toMatch(/[&<>]/);
        expect(svg.match(/<svg/g)).toHaveLength(1);
      }),
    );
  });
});
