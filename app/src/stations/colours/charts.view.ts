import { deltaE00, hexOf, type Lab } from '@kettle/core/kit/colour';
import { CHART_PARTS, glazeChart, mixingChart, TINT_STRENGTHS, tintChart } from '@kettle/core/materials/dish';
import {
  atReferenceFilm,
  glazeLab,
  pigmentByCode,
  type Pigment,
  type ReadSwatch,
} from '@kettle/core/materials/pigment';
import { planPaper, type Plan } from '@kettle/core/document/plan';
import { BLANKS, swatchSheet, type SwatchEntry, type SwatchSheet } from '@kettle/core/files/prints';

/** One row of a chart: what it is of, and its dabs from left to right. */
export interface ChartRow {
  readonly name: string;
  readonly says: string;
  readonly dabs: readonly string[];
}

/** Rows of one kind, with what stands over their dabs. */
export interface Chart {
  readonly title: string;
  readonly head: readonly string[];
  readonly rows: readonly ChartRow[];
}

const VERDICTS = { clean: '', muted: 'muted', neutral: 'a grey', mud: 'mud' } as const;

/** Every pair in steps, every pigment from the tube to a stain, and over every dried one, on the card’s paper; empty ones left out. */
export function chartsOf(
  plan: Plan,
  palette: readonly Pigment[],
  called: (pigment: Pigment) => string,
): Chart[] {
  const paper = planPaper(plan);
  const nameOf = new Map(palette.map((pigment) => [pigment.code, called(pigment)]));
  const dabs = (labs: readonly Lab[]): string[] => labs.map(hexOf);
  const charts: Chart[] = [
    {
      title: 'Every pair, in parts',
      head: CHART_PARTS.map(([one, other]) => `${one} : ${other}`),
      rows: mixingChart(paper, palette).map(({ one, other, labs, verdict }) => ({
        ...{ name: `${nameOf.get(one)!} with ${nameOf.get(other)!}`, says: VERDICTS[verdict] },
        dabs: dabs(labs),
      })),
    },
    {
      title: 'From the tube to a stain',
      head: TINT_STRENGTHS.map((strength) => `${Math.round(100 * strength)} %`),
      rows: tintChart(paper, palette).map((row, i) => ({
        ...{ name: called(palette[i]), says: '' },
        dabs: dabs(row),
      })),
    },
    {
      title: 'Glazed, in the order of the dish',
      head: [],
      rows: glazeChart(paper, palette).map((row, i) => ({
        ...{ name: `over dry ${called(palette[i])}`, says: '' },
        dabs: dabs(row),
      })),
    },
  ];
  return charts.filter(({ rows }) => rows.length > 0);
}

/** The swatch sheet of what is set out. */
export const sheetOf = (palette: readonly Pigment[], called: (pigment: Pigment) => string): SwatchSheet =>
  swatchSheet(
    palette.map((pigment): SwatchEntry => ({ id: pigment.code, name: called(pigment), says: pigment.code })),
  );

/** One pigment of a sheet that was read: its blanks as painted beside the forecast, and how far they differ. */
export interface ReadRow {
  readonly code: string;
  readonly name: string;
  readonly dabs: readonly { readonly painted: string; readonly forecast: string }[];
  readonly deltaE: number;
  /** What a calibration is made of. */
  readonly swatches: readonly ReadSwatch[];
}

/** The colours read from a sheet, pigment by pigment. */
export function readRows(
  plan: Plan,
  sheet: SwatchSheet,
  labs: readonly Lab[],
  palette: readonly Pigment[],
): ReadRow[] {
  const paper = planPaper(plan);
  const black = atReferenceFilm([{ pigment: pigmentByCode('PBk6'), parts: 1 }], 1);
  return sheet.entries.map(({ id, name }) => {
    const pigment = palette.find(({ code }) => code === id)!;
    const own = sheet.cells.flatMap((cell, i) =>
      cell.entry === id ? [{ blank: BLANKS[cell.blank], lab: labs[i] }] : [],
    );
    const forecasts = own.map(({ blank: { strength, ground } }) => {
      const film = atReferenceFilm([{ pigment, parts: 1 }], strength);
      return glazeLab(paper, ground === 'black' ? [black, film] : [film]);
    });
    const gaps = own.map(({ lab }, i) => deltaE00(lab, forecasts[i]));
    return {
      ...{ code: id, name },
      dabs: own.map(({ lab }, i) => ({ painted: hexOf(lab), forecast: hexOf(forecasts[i]) })),
      deltaE: gaps.reduce((a, b) => a + b, 0) / gaps.length,
      swatches: own.map(({ blank: { strength, ground }, lab }) => ({
        strength,
        ground,
        lab,
        fromScreen: true,
      })),
    };
  });
}

/** A code for a pigment of the painter’s own, made of what it is called; numbered when there is one already. */
export function freeCode(name: string, taken: readonly string[]): string {
  const words = name
    .toLowerCase()
    .replace(/[^a-z0-9]+/g, '-')
    .replace(/^-|-$/g, '')
    .slice(0, 30);
  const wanted = `own-${words === '' ? 'pigment' : words}`;
  let code = wanted;
  for (let n = 2; taken.includes(code); n++) code = `${wanted}-${n}`;
  return code;
}
