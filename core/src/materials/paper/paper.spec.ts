import { describe, expect, it } from 'vitest';
import { chromaOf, labOf } from '../../kit/colour';
import { dry } from '../../simulation/water';
import { paperById, paperReflectance, PAPERS, paperSchema } from '.';

describe('the papers that come with the app', () => {
  it('are all sound, and named once', () => {
    for (const paper of PAPERS) expect(paperSchema.safeParse(paper).error, paper.id).toBeUndefined();
    expect(PAPERS.map(({ id }) => id)).toEqual([
      'cotton-cold-300',
      'cotton-hot-300',
      'cotton-rough-300',
      'cotton-cold-200',
      'pulp-cold-300',
      'pulp-cold-200',
      'craft-card-250',
    ]);
  });

  it('differ as the trade says: cotton holds more and bears more than pulp, thin paper cockles', () => {
    const [cotton, thin, pulp, card] = [
      'cotton-cold-300',
      'cotton-cold-200',
      'pulp-cold-300',
      'craft-card-250',
    ].map((id) => paperById(id));
    expect(cotton.capacityGm2).toBeGreaterThan(pulp.capacityGm2);
    expect(cotton.passes).toBeGreaterThan(pulp.passes);
    expect(pulp.uptake).toBeGreaterThan(cotton.uptake);
    expect(thin.cockle).toBeGreaterThan(cotton.cockle);
    expect(card.passes).toBe(1);
  });

  it('lose their sheen sooner on pulp, which drinks faster', () => {
    const sheen = (id: string): number =>
      dry({ paper: paperById(id), filmUm: 80, climate: { tempC: 20, rh: 0.5, airMs: 0 } }).stages.satinEndS!;
    expect(sheen('pulp-cold-300')).toBeLessThan(sheen('cotton-cold-300'));
  });

  it('are white: light and nearly without colour, the warm one the warmest', () => {
    for (const white of ['natural', 'cool', 'warm'] as const) {
      const lab = labOf(paperReflectance(white));
      expect(lab[0]).toBeGreaterThan(92);
      expect(chromaOf(lab)).toBeLessThan(9);
    }
  });

  it('are refused by an unknown name, with the known ones and the field', () => {
    expect(() => paperById('vellum', 'card.paper')).toThrow(
      /^card\.paper: unknown paper “vellum”; known: cotton-cold-300, /,
    );
  });
});
