import { expect, it } from 'vitest';
import { deltaE00 } from '../../kit/colour';
import { paperById } from '../paper';
import { atReferenceFilm, glazeLab, pigmentByCode, PIGMENTS, strengthFor, type Mix } from '.';

const paper = paperById('cotton-cold-300');
const parts = (code: string) => [{ pigment: pigmentByCode(code), parts: 1 }];

it('finds the strength a colour was painted with, for every pigment', () => {
  for (const { code } of PIGMENTS.filter(({ family }) => family !== 'white'))
    for (const strength of [0.05, 0.3, 0.8]) {
      const wanted = glazeLab(paper, [atReferenceFilm(parts(code), strength)]);
      const found = strengthFor(wanted, parts(code), paper);
      expect(found.deltaE, code).toBeLessThan(0.05);
      expect(found.wet[0], code).toBeLessThan(found.dry[0]);
    }
});

it('over a tinted ground asks for less of a like colour and says what it will not reach', () => {
  const ground: Mix[] = [atReferenceFilm(parts('PY42'), 0.2)];
  const wanted = glazeLab(paper, [...ground, atReferenceFilm(parts('PR254'), 0.25)]);
  expect(strengthFor(wanted, parts('PR254'), paper, ground).strength).toBeCloseTo(0.25, 2);
  const lighter = strengthFor([95, 0, 0], parts('PR254'), paper, ground);
  expect(lighter.deltaE).toBeGreaterThan(5);
  expect(lighter.strength).toBeLessThan(0.01);
});

it('paints stronger where the film is thinner', () => {
  const wanted = glazeLab(paper, [atReferenceFilm(parts('PB29'), 0.2)]);
  const thin = strengthFor(wanted, parts('PB29'), paper, [], 40);
  expect(thin.strength).toBeCloseTo(0.5, 2);
  expect(thin.waterPerPaint).toBeCloseTo(1 / thin.strength - 1, 9);
  expect(deltaE00(thin.dry, wanted)).toBeLessThan(0.05);
});
