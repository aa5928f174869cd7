import { describe, expect, it } from 'vitest';
import { deltaE00, labOf, type Lab } from '../../kit/colour';
import { paperById } from '../paper';
import { atReferenceFilm, flakeCoverage, glazeLab, glazeReflectance, pigmentByCode, type Mix } from '.';

const paper = paperById('cotton-cold-300');
const gold = pigmentByCode('MICA-gold');
const laid = (code: string, strength: number, filmUm = 100): Mix => ({
  ...atReferenceFilm([{ pigment: pigmentByCode(code), parts: 1 }], strength),
  filmUm,
});
const black = laid('PBk6', 1);
const seen = (layers: Mix[], facing?: number): Lab => labOf(glazeReflectance(paper, layers, { facing }));

describe('mica flakes', () => {
  it('cover 63 % at their own load and never all', () => {
    expect(flakeCoverage(0)).toBe(0);
    expect(flakeCoverage(1)).toBeCloseTo(1 - 1 / Math.E, 12);
    expect(flakeCoverage(20)).toBeLessThanOrEqual(1);
  });

  it('laid thick, are their face colour turned to the lamp and their flop turned away', () => {
    const thick = laid('MICA-gold', 1, 1000);
    expect(deltaE00(seen([thick], 1), gold.metallic!.face)).toBeLessThan(0.01);
    expect(deltaE00(seen([thick], 0), gold.metallic!.flop)).toBeLessThan(0.01);
  });

  it('brighten steadily as they turn to the lamp', () => {
    const lightness = [0, 0.25, 0.5, 0.75, 1].map((facing) => seen([laid('MICA-gold', 1)], facing)[0]);
    lightness.slice(1).forEach((l, i) => expect(l).toBeGreaterThan(lightness[i]));
  });

  it('hide the ground in proportion: thin gold on black is darker than on white, thick gold is not', () => {
    const apart = (strength: number): number =>
      glazeLab(paper, [laid('MICA-gold', strength)])[0] -
      glazeLab(paper, [black, laid('MICA-gold', strength)])[0];
    expect(apart(0.1)).toBeGreaterThan(30);
    expect(apart(0.3)).toBeLessThan(apart(0.1));
    expect(apart(1)).toBeLessThan(5);
  });

  it('are seen through paint that is mixed in or glazed over', () => {
    const [alone] = [seen([laid('MICA-gold', 1)])];
    const tinted = seen([
      atReferenceFilm(
        [
          { pigment: gold, parts: 4 },
          { pigment: pigmentByCode('PR122'), parts: 1 },
        ],
        1,
      ),
    ]);
    const glazed = seen([laid('MICA-gold', 1), laid('PR122', 0.1)]);
    expect(tinted[1]).toBeGreaterThan(alone[1] + 10);
    expect(glazed[1]).toBeGreaterThan(alone[1] + 10);
  });

  it('of pearl let the ground shine through more than gold of the same strength', () => {
    const hidden = (code: string): number =>
      deltaE00(glazeLab(paper, [black]), glazeLab(paper, [black, laid(code, 0.2)]));
    expect(hidden('MICA-pearl')).toBeGreaterThan(5);
    expect(glazeLab(paper, [laid('MICA-pearl', 1)])[0]).toBeGreaterThan(85);
  });
});
