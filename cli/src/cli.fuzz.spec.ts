import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { ENVELOPES } from '@kettle/core/commission/card';
import { PAPERS } from '@kettle/core/materials/paper';
import { PIGMENTS } from '@kettle/core/materials/pigment';
import { COMMANDS, run, type RunResult } from './run';
import { cases } from '../../core/src/testing/cases';

const given = (name: string, text: string): RunResult =>
  run([name, '-'], () => new TextEncoder().encode(text));
const takers = COMMANDS.filter(({ input }) => input === 'json').map(({ name }) => name);

const number = (min: number, max: number): fc.Arbitrary<number> => fc.double({ min, max, noNaN: true });
const code = fc.constantFrom(...PIGMENTS.map((pigment) => pigment.code));
const paper = fc.constantFrom(...PAPERS.map(({ id }) => id));
const climate = fc.record({ tempC: number(2, 40), rh: number(0, 1), airMs: number(0, 5) });

describe('whatever comes in', () => {
  it('is answered or refused in one line, never our fault', () => {
    fc.assert(
      fc.property(fc.constantFrom(...takers), fc.oneof(fc.json(), fc.string()), (name, text) => {
        const { code: exit, out, err } = given(name, text);
        expect(exit).toBe(2);
        expect(out).toBe('');
        expect(err.trimEnd()).not.toMatch(/\n/);
        expect(err).toMatch(/: /);
      }),
      { numRuns: cases(400) },
    );
  });
});

describe('whatever is right', () => {
  it('size: the card goes into its envelope with the air asked for, and the sheet holds the card', () => {
    const format = fc.record({
      envelope: fc.constantFrom(...ENVELOPES).map(({ widthMm, heightMm }) => ({ widthMm, heightMm })),
      fold: fc.constantFrom('side', 'top', 'flat'),
      border: fc.constantFrom('taped', 'bleed', 'bare'),
      clearanceMm: number(0, 8),
      bulkMm: number(0, 4),
      panelRevealMm: number(0, 12),
    });
    fc.assert(
      fc.property(format, (input) => {
        const sizes = JSON.parse(given('size', JSON.stringify(input)).out) as Record<
          string,
          { widthMm: number; heightMm: number }
        > & { fits: boolean };
        const { card, flat, panel, paint } = sizes;
        expect(card.widthMm + 2 * input.clearanceMm + input.bulkMm).toBeCloseTo(input.envelope.widthMm, 5);
        expect(card.heightMm + 2 * input.clearanceMm + input.bulkMm).toBeCloseTo(input.envelope.heightMm, 5);
        const sheets = (flat.widthMm * flat.heightMm) / (card.widthMm * card.heightMm);
        expect(sheets).toBeCloseTo(input.fold === 'flat' ? 1 : 2, 5);
        expect(panel.widthMm).toBeLessThanOrEqual(card.widthMm + 1e-9);
        expect(paint.widthMm).toBeGreaterThanOrEqual(panel.widthMm - 1e-9);
        expect(sizes.fits).toBe(input.clearanceMm >= 1.5);
      }),
    );
  });

  it('dry: stages end in order, later with more water', () => {
    fc.assert(
      fc.property(paper, climate, number(1, 200), (id, air, filmUm) => {
        const ask = (film: number): (number | null)[] => {
          const { out, err } = given('dry', JSON.stringify({ paper: id, filmUm: film, climate: air }));
          expect(err).toBe('');
          return Object.values((JSON.parse(out) as { stages: Record<string, number | null> }).stages);
        };
        const ends = ask(filmUm).map((end) => end ?? Infinity);
        expect(ends).toEqual([...ends].sort((a, b) => a - b));
        const more = ask(filmUm * 1.3).map((end) => end ?? Infinity);
        more.forEach((end, i) => expect(end).toBeGreaterThanOrEqual(ends[i] - 1e-6));
      }),
      { numRuns: cases(60) },
    );
  });

  it('glaze: a reflectance between nothing and all, and no lighter for another layer of anything but white', () => {
    const layer = fc.record({
      parts: fc.array(
        fc.record({
          pigment: code.filter((c) => !c.startsWith('PW')),
          parts: fc.integer({ min: 1, max: 8 }),
        }),
        { minLength: 1, maxLength: 3 },
      ),
      strength: number(0.02, 0.6),
    });
    fc.assert(
      fc.property(paper, layer, number(0, 1), (id, over, wet) => {
        const ask = (layers: unknown[]): { reflectance: number[]; lab: number[] } =>
          JSON.parse(given('glaze', JSON.stringify({ paper: id, layers, wet })).out) as {
            reflectance: number[];
            lab: number[];
          };
        const [bare, painted] = [ask([]), ask([over])];
        for (const r of painted.reflectance) {
          expect(r).toBeGreaterThanOrEqual(0);
          expect(r).toBeLessThanOrEqual(1);
        }
        expect(painted.lab[0]).toBeLessThanOrEqual(bare.lab[0] + 1e-9);
      }),
      { numRuns: cases(80) },
    );
  });

  it('mix: never worse than each of its pigments alone, and what glaze then shows', () => {
    const asked = fc.record({
      target: fc.record({ lab: fc.tuple(number(20, 95), number(-60, 60), number(-60, 60)) }),
      palette: fc.uniqueArray(code, { minLength: 1, maxLength: 4 }),
      paper,
    });
    fc.assert(
      fc.property(asked, (input) => {
        const ask = (
          maxPigments: number,
        ): { deltaE00: number; parts: unknown; strength: number; dry: object } =>
          JSON.parse(given('mix', JSON.stringify({ ...input, maxPigments })).out) as never;
        const [alone, mixed] = [ask(1), ask(3)];
        expect(mixed.deltaE00).toBeLessThanOrEqual(alone.deltaE00 + 0.05);
        const layers = [{ parts: mixed.parts, strength: mixed.strength }];
        const shown = JSON.parse(
          given('glaze', JSON.stringify({ paper: input.paper, layers })).out,
        ) as object;
        expect(shown).toMatchObject({ hex: (mixed.dry as { hex: string }).hex });
      }),
      { numRuns: cases(40) },
    );
  });

  it('swatch-fit: an answer for any readings, however impossible, with finite numbers', () => {
    const swatch = fc.record({
      strength: number(0.02, 1),
      lab: fc.tuple(number(0, 100), number(-120, 120), number(-120, 120)),
      ground: fc.constantFrom('paper', 'black'),
    });
    const asked = fc.record({
      like: code.filter((c) => !c.startsWith('MICA')),
      paper,
      swatches: fc.array(swatch, { minLength: 2, maxLength: 3 }),
    });
    fc.assert(
      fc.property(asked, (input) => {
        const { code: exit, out, err } = given('swatch-fit', JSON.stringify(input));
        expect(err).toBe('');
        expect(exit).toBe(0);
        expect(out).not.toMatch(/null|NaN/);
      }),
      { numRuns: cases(12) },
    );
  });
});
