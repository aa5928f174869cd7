import { describe, expect, it } from 'vitest';
import { paperById } from '../paper';
import { atReferenceFilm, contrastRatio, coverOver, MAX_COATS, pigmentByCode, type Mix } from '.';

const paper = paperById('cotton-cold-300');
const laid = (code: string, strength: number): Mix =>
  atReferenceFilm([{ pigment: pigmentByCode(code), parts: 1 }], strength);
const dusk = [laid('PB60', 0.8)];

describe('opaque white', () => {
  it('lightens coat by coat and says which coat is enough', () => {
    const { coats, coatsNeeded } = coverOver(laid('PW6', 1), paper, dusk, 80);
    expect(coats).toHaveLength(MAX_COATS);
    coats.slice(1).forEach(([l], i) => expect(l).toBeGreaterThan(coats[i][0]));
    expect(coats[coatsNeeded! - 1][0]).toBeGreaterThanOrEqual(80);
    if (coatsNeeded! > 1) expect(coats[coatsNeeded! - 2][0]).toBeLessThan(80);
  });

  it('of titanium covers, of zinc hardly, and thinned it does not', () => {
    const reached = (code: string, strength: number): number =>
      coverOver(laid(code, strength), paper, dusk, 80).coats[0][0];
    expect(reached('PW6', 1)).toBeGreaterThan(reached('PW4', 1) + 15);
    expect(reached('PW6', 1)).toBeGreaterThan(reached('PW6', 0.2) + 15);
  });

  it('answers null where four coats do not do', () => {
    const thin = coverOver(laid('PW4', 0.1), paper, dusk, 90);
    expect(thin.coatsNeeded).toBeNull();
    expect(thin.coatsToHide).toBeNull();
  });

  it('hides a pale ground sooner than a dark one', () => {
    const thick: Mix = { ...laid('PW6', 1), filmUm: 200 };
    const pale = coverOver(thick, paper, [laid('PY42', 0.1)], 80).coatsToHide!;
    const dark = coverOver(thick, paper, dusk, 80).coatsToHide!;
    expect(pale).toBeLessThan(dark);
  });
});

describe('the contrast ratio', () => {
  it('runs from clear water to opaque and ranks as painters do', () => {
    const of = (code: string): number => contrastRatio(laid(code, 1));
    expect(of('PW6')).toBeGreaterThan(of('PW4'));
    expect(of('PR108')).toBeGreaterThan(of('PR122'));
    expect(of('PY35')).toBeGreaterThan(of('PY150'));
    expect(contrastRatio(laid('PY150', 0.01))).toBeLessThan(0.06);
  });
});
