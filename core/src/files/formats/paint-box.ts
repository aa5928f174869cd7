import { pigmentByCode, type Pigment } from '../../materials/pigment';
import { studioSchema, type Studio } from '../../document/plan';
import { BadInput, readInput } from '../../kit/units';

/** Heads of a table of pigments; the first three are read back, the others are told for the painter’s own use. */
const HEADS = [
  'code',
  'label',
  'place',
  'name',
  'transparency',
  'staining',
  'granulation',
  'lightfastness',
  'hazard',
  'spectra',
];

/** The paint box as rows of a table, its heads first. */
export const boxRows = (box: Studio['box'], pigments: readonly Pigment[]): string[][] => [
  HEADS,
  ...box.map(({ code, label, place }) => {
    const pigment = pigmentByCode(code, 'box', pigments);
    return [
      ...[code, label, place, pigment.name, pigment.transparencyClass, pigment.staining.toFixed(2)],
      ...[pigment.granulation.toFixed(2), pigment.lightfastness, pigment.hazard, pigment.origin],
    ];
  }),
];

/**
 * A paint box from rows as `boxRows` writes them; columns may stand in any order, and only `code` must be there. Throws
 * `BadInput` naming the row for a pigment that is not known or stands twice.
 */
export function boxFromRows(
  rows: readonly (readonly string[])[],
  pigments: readonly Pigment[],
): Studio['box'] {
  const written = rows.filter((row) => row.some((cell) => cell.trim() !== ''));
  const heads = (written.at(0) ?? []).map((head) => head.trim().toLowerCase());
  const column = (name: string): number => heads.indexOf(name);
  if (column('code') < 0) throw new BadInput('table', 'has no column “code”');
  const cell = (row: readonly string[], name: string): string =>
    row.at(column(name) < 0 ? row.length : column(name))?.trim() ?? '';
  if (written.length < 2) throw new BadInput('table', 'has a heading and no pigments under it');
  const seen = new Set<string>();
  const box = written.slice(1).map((row, i) => {
    const { code } = pigmentByCode(cell(row, 'code'), `row ${i + 2}`, pigments);
    if (seen.has(code)) throw new BadInput(`row ${i + 2}`, `has “${code}” a second time`);
    seen.add(code);
    return { code, label: cell(row, 'label'), place: cell(row, 'place') };
  });
  return readInput(studioSchema.shape.box, box);
}
