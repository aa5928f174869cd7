import { describe, expect, it } from 'vitest';
import { chromaOf } from '../../kit/colour';
import { paperById } from '../paper';
import { atReferenceFilm, glazeLab, muddinessOf, pigmentByCode, type Mix } from '.';

const paper = paperById('cotton-cold-300');
const mix = (strength: number, ...codes: string[]): Mix =>
  atReferenceFilm(
    codes.map((code) => ({ pigment: pigmentByCode(code), parts: 1 })),
    strength,
  );

describe('muddiness', () => {
  it('of one pigment alone is none', () => {
    expect(muddinessOf(mix(0.3, 'PB29'), paper)).toMatchObject({ muddiness: 0, verdict: 'clean' });
  });

  it('is low where two hues lie near, high where they are opposite', () => {
    expect(muddinessOf(mix(0.3, 'PY150', 'PY110'), paper).verdict).toBe('clean');
    expect(muddinessOf(mix(0.3, 'PB29', 'PR122'), paper).verdict).toBe('clean');
    expect(muddinessOf(mix(0.3, 'PG7', 'PR122'), paper).muddiness).toBeGreaterThan(0.65);
  });

  it('calls the grey of two opposites neutral, that of three pigments mud', () => {
    const two = mix(0.3, 'PG7', 'PR122');
    expect(chromaOf(glazeLab(paper, [two]))).toBeLessThan(18);
    expect(muddinessOf(two, paper).verdict).toBe('neutral');
    expect(muddinessOf(mix(0.3, 'PY3', 'PR122', 'PB15:3'), paper).verdict).toBe('mud');
  });

  it('lies between for the grey that ultramarine and burnt sienna make: they have little colour to lose', () =>
    expect(muddinessOf(mix(0.15, 'PB29', 'PBr7-burnt-sienna'), paper).muddiness).toBeCloseTo(0.65, 1));

  it('never calls a wanted grey mud, but a wanted colour that came out grey', () => {
    const three = mix(0.3, 'PY3', 'PR122', 'PB15:3');
    expect(muddinessOf(three, paper, [40, 3, 2]).verdict).toBe('neutral');
    expect(muddinessOf(three, paper, [40, 30, 30]).verdict).toBe('mud');
  });

  it('is nothing for greys mixed with each other: they have no colour to lose', () =>
    expect(muddinessOf(mix(0.3, 'PBk6', 'PBk11'), paper).muddiness).toBe(0));
});
