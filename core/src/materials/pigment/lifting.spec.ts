import { describe, expect, it } from 'vitest';
import { paperById } from '../paper';
import { atReferenceFilm, glazeLab, liftedResidue, liftReach, pigmentByCode, type Mix } from '.';

const cotton = paperById('cotton-cold-300');
const wash = (code: string, strength = 0.5): Mix =>
  atReferenceFilm([{ pigment: pigmentByCode(code), parts: 1 }], strength);

describe('lifting', () => {
  it('leaves under a quarter of what does not stain and over three quarters of what does', () => {
    expect(liftedResidue(pigmentByCode('PB28').staining, cotton.sizing)).toBeLessThan(0.25);
    expect(liftedResidue(pigmentByCode('PB15:3').staining, cotton.sizing)).toBeGreaterThan(0.75);
    expect(liftedResidue(0.5, cotton.sizing, 0)).toBe(1);
  });

  it('takes more with more effort, and less from soft-sized paper', () => {
    expect(liftedResidue(0.3, 0.9, 0.5)).toBeGreaterThan(liftedResidue(0.3, 0.9));
    expect(liftedResidue(0.3, 0.4)).toBeGreaterThan(liftedResidue(0.3, 0.9));
  });

  it('lightens, never past the bare paper', () => {
    const bare = glazeLab(cotton, [])[0];
    for (const code of ['PB28', 'PB29', 'PR122', 'PB15:3', 'PBk6']) {
      const { before, after, stays } = liftReach(cotton, [wash('PY42', 0.1), wash(code)]);
      expect(after[0], code).toBeGreaterThan(before[0]);
      expect(after[0], code).toBeLessThan(bare);
      expect(stays).toBeGreaterThan(0);
      expect(stays).toBeLessThan(1);
    }
  });

  it('reaches lighter under cobalt than under phthalo, for the same loss of light', () => {
    const gained = (code: string): number => {
      const { before, after } = liftReach(cotton, [wash(code, 0.3)]);
      return (after[0] - before[0]) / (glazeLab(cotton, [])[0] - before[0]);
    };
    expect(gained('PB28')).toBeGreaterThan(2 * gained('PB15:3'));
  });

  it('has nothing to take from bare paper', () =>
    expect(liftReach(cotton, [])).toMatchObject({ stays: 0, before: glazeLab(cotton, []) }));
});
