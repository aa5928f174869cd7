import type * as PdfLib from 'pdf-lib';
import { LETTER_MM, rulerBar, RULER_MM, type PrintedLine, type TrueSize } from './true-size';

/** A point of a page, mm (Adobe PDF Reference, 72 to the inch). */
const PT_PER_MM = 72 / 25.4;

/** Paper for the printer, upright, mm (ISO 216; ANSI Y14.1). */
export const PRINT_PAGES = {
  a4: { widthMm: 210, heightMm: 297 },
  letter: { widthMm: 215.9, heightMm: 279.4 },
} as const;
export type PrintPage = keyof typeof PRINT_PAGES;

/** Rim no printer reaches, foot with a ruler on every page, and what neighbouring pages share, mm. */
const MARGIN_MM = 8;
const FOOT_MM = 16;
const SHARED_MM = 8;

const PEN: Readonly<Record<PrintedLine, { readonly mm: number; readonly dash?: number[] }>> = {
  cut: { mm: 0.3 },
  score: { mm: 0.25, dash: [4, 2] },
  trim: { mm: 0.25, dash: [1, 1] },
  show: { mm: 0.15 },
  bar: { mm: 0.4 },
};

/**
 * A drawing as a PDF at true size: on one page if it goes on one, else on several that are laid over each other by their
 * shared strip, each with its own ruler bar; then the steps in words.
 */
export async function pdfPrint(
  drawing: TrueSize,
  page: PrintPage,
  steps: readonly string[] = [],
): Promise<Uint8Array> {
  // Half a megabyte that is wanted only when somebody prints.
  const lib = await import('pdf-lib');
  const pdf = await lib.PDFDocument.create();
  pdf.setTitle(drawing.title);
  const font = await pdf.embedFont(lib.StandardFonts.Helvetica);
  const sheetOf = (paper: Paper): Sheet => new Sheet(lib, pdf, paper, font);
  const upright = tiles(drawing, PRINT_PAGES[page]);
  const lying = tiles(drawing, turned(PRINT_PAGES[page]));
  const { paper, across, down } = lying.across * lying.down < upright.across * upright.down ? lying : upright;
  const window = windowOf(paper);
  for (let row = 0; row < down; row++)
    for (let column = 0; column < across; column++) {
      const sheet = sheetOf(paper);
      const corner = [column * (window.widthMm - SHARED_MM), row * (window.heightMm - SHARED_MM)] as const;
      sheet.within(window, () => {
        sheet.draw(drawing, MARGIN_MM - corner[0], MARGIN_MM - corner[1]);
      });
      const of = across * down > 1 ? `Page ${row * across + column + 1} of ${across * down}: ` : '';
      const lay = across * down > 1 ? ` Neighbours share a strip of ${SHARED_MM} mm.` : '';
      sheet.foot(`${of}print at 100 %; this bar is ${RULER_MM} mm long.${lay}`);
    }
  writeSteps(PRINT_PAGES[page], steps, sheetOf);
  return pdf.save({ useObjectStreams: false });
}

interface Paper {
  readonly widthMm: number;
  readonly heightMm: number;
}

const turned = ({ widthMm, heightMm }: Paper): Paper => ({ widthMm: heightMm, heightMm: widthMm });

/** What of a page a drawing can have. */
const windowOf = ({ widthMm, heightMm }: Paper): Paper => ({
  widthMm: widthMm - 2 * MARGIN_MM,
  heightMm: heightMm - 2 * MARGIN_MM - FOOT_MM,
});

function tiles(drawing: TrueSize, paper: Paper): { paper: Paper; across: number; down: number } {
  const window = windowOf(paper);
  const pages = (length: number, seen: number): number =>
    Math.max(1, Math.ceil((length - SHARED_MM) / (seen - SHARED_MM)));
  return {
    paper,
    across: pages(drawing.widthMm, window.widthMm),
    down: pages(drawing.heightMm, window.heightMm),
  };
}

/** Blue-black, red, green and blue 0…1. */
const INK = [0.1, 0.13, 0.2] as const;

/** One page, drawn on in mm from its top left corner. */
class Sheet {
  private readonly page: PdfLib.PDFPage;
  private readonly ink: PdfLib.Color;
  private readonly letters: ReadonlySet<number>;

  constructor(
    private readonly lib: typeof PdfLib,
    pdf: PdfLib.PDFDocument,
    private readonly paper: Paper,
    private readonly font: PdfLib.PDFFont,
  ) {
    this.ink = lib.rgb(...INK);
    this.letters = new Set(font.getCharacterSet());
    this.page = pdf.addPage([paper.widthMm * PT_PER_MM, paper.heightMm * PT_PER_MM]);
  }

  within({ widthMm, heightMm }: Paper, draw: () => void): void {
    const [x, y] = this.point(MARGIN_MM, MARGIN_MM + heightMm);
    const { pushGraphicsState, rectangle, clip, endPath, popGraphicsState } = this.lib;
    this.page.pushOperators(
      pushGraphicsState(),
      rectangle(x, y, widthMm * PT_PER_MM, heightMm * PT_PER_MM),
      clip(),
      endPath(),
    );
    draw();
    this.page.pushOperators(popGraphicsState());
  }

  draw({ lines, words }: Pick<TrueSize, 'lines' | 'words'>, right: number, down: number): void {
    for (const { kind, from, to } of lines) {
      const [[x1, y1], [x2, y2]] = [from, to].map(([x, y]) => this.point(x + right, y + down));
      this.page.drawLine({
        start: { x: x1, y: y1 },
        end: { x: x2, y: y2 },
        thickness: PEN[kind].mm * PT_PER_MM,
        color: this.ink,
        ...(PEN[kind].dash ? { dashArray: PEN[kind].dash.map((mm) => mm * PT_PER_MM) } : {}),
      });
    }
    for (const { text, at, centred, headDown } of words) {
      const half = centred ? this.widthOf(text) / 2 : 0;
      this.write(text, at[0] + right + (headDown ? half : -half), at[1] + down, headDown);
    }
  }

  foot(text: string): void {
    const y = this.paper.heightMm - FOOT_MM + 2;
    this.draw({ lines: rulerBar(MARGIN_MM, y), words: [] }, 0, 0);
    this.write(text, MARGIN_MM, y + 6);
  }

  write(text: string, right: number, down: number, headDown = false): void {
    const [x, y] = this.point(right, down);
    this.page.drawText(this.printable(text), {
      ...{ x, y, font: this.font, color: this.ink, size: LETTER_MM * PT_PER_MM },
      ...(headDown ? { rotate: this.lib.degrees(180) } : {}),
    });
  }

  private widthOf(text: string): number {
    return this.font.widthOfTextAtSize(this.printable(text), LETTER_MM * PT_PER_MM) / PT_PER_MM;
  }

  /** The letters the printer's own font has; others become a dot, so that a name never stops a print. */
  private printable(text: string): string {
    return Array.from(text, (letter) => (this.letters.has(letter.codePointAt(0)!) ? letter : '·')).join('');
  }

  private point(right: number, down: number): [number, number] {
    return [right * PT_PER_MM, (this.paper.heightMm - down) * PT_PER_MM];
  }
}

/** Height of a line of writing, mm. */
const LINE_MM = 6;

function writeSteps(paper: Paper, steps: readonly string[], sheetOf: (paper: Paper) => Sheet): void {
  const aPage = Math.floor((paper.heightMm - 4 * MARGIN_MM) / LINE_MM);
  for (let first = 0; first < steps.length; first += aPage) {
    const sheet = sheetOf(paper);
    steps.slice(first, first + aPage).forEach((step, i) => {
      sheet.write(step, 2 * MARGIN_MM, 2 * MARGIN_MM + (i + 1) * LINE_MM);
    });
  }
}
