import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import * as z from 'zod';
import {
  BadInput,
  changeOf,
  formatClock,
  formatLength,
  formatSpan,
  parseLength,
  readInput,
  writeLength,
  type LengthUnit,
} from '.';

describe('a length as a painter writes it', () => {
  it.each([
    ['133,35', 133.35],
    ['133.35 mm', 133.35],
    ['5.25 in', 133.35],
    ['5 1/4 in', 133.35],
    ['1/8"', 3.175],
    ['7 inches', 177.8],
  ])('reads %s', (text, mm) => expect(parseLength(text)).toBeCloseTo(mm, 9));

  it('takes a bare number in the unit of the table', () =>
    expect(parseLength('5 1/4', 'in')).toBeCloseTo(133.35, 9));

  it.each(['', 'wide', '1/0 in', '-3', '5 1/4 1/2'])('refuses “%s”', (text) =>
    expect(() => parseLength(text)).toThrow(/is not a length/),
  );

  it.each([
    [133.35, 'mm', '133.4 mm'],
    [156, 'mm', '156 mm'],
    [133.35, 'in', '5 1/4 in'],
    [177.8, 'in', '7 in'],
    [3.175, 'in', '1/8 in'],
  ] as const)('writes %d as %s', (mm, unit, text) => expect(formatLength(mm, unit)).toBe(text));

  it.each([
    [133.35, '5 1/4 in'],
    [25.4 * (3 + 37 / 64), '3 37/64 in'],
    [100, '3.937 in'],
    [6, '0.2362 in'],
  ])('puts %d mm into a field as %s', (mm, text) => expect(writeLength(mm, 'in')).toBe(text));

  it('reads what it wrote, in either unit: 64ths exactly, anything to a hundredth of a millimetre', () => {
    const units = fc.constantFrom<LengthUnit>('mm', 'in');
    fc.assert(
      fc.property(fc.integer({ min: 0, max: 64 * 40 }), units, (parts, unit) => {
        const mm = (parts / 64) * 25.4;
        const again = parseLength(writeLength(mm, 'in'), unit);
        expect(again).toBeCloseTo(mm, 9);
      }),
    );
    fc.assert(
      fc.property(fc.double({ min: 0, max: 5000, noNaN: true }), units, units, (mm, unit, table) => {
        expect(Math.abs(parseLength(writeLength(mm, unit), table) - mm)).toBeLessThan(0.01);
        // A sixteenth is 1.59 mm: what is read off a screen is within half of it.
        expect(Math.abs(parseLength(formatLength(mm, unit), table) - mm)).toBeLessThan(0.8);
      }),
    );
  });
});

describe('time in words', () => {
  it.each([
    [530, '8:50'],
    [3850, '1:04:10'],
    [-4, '0:00'],
  ])('clock of %d s', (s, text) => expect(formatClock(s)).toBe(text));

  it.each([
    [40, '40 s'],
    [59.7, '1 min'],
    [1370, '23 min'],
    [4200, '1 h 10 min'],
    [50400, '14 h'],
  ])('span of %d s', (s, text) => expect(formatSpan(s)).toBe(text));
});

describe('input from outside', () => {
  const schema = z.strictObject({
    a: z.array(z.strictObject({ b: z.number() })),
    c: z.literal(1).optional(),
  });
  const fault = (value: unknown): string => {
    try {
      readInput(schema, value);
      return 'no fault';
    } catch (cause) {
      if (!(cause instanceof BadInput)) throw cause;
      return cause.message;
    }
  };

  it('names the field and the reason', () => {
    expect(fault({ a: [{ b: 1 }, { b: 'x' }] })).toBe('a[1].b: expected number, received string');
    expect(fault({ a: [], d: 1 })).toBe('d: unknown key');
    expect(fault({})).toBe('a: is missing');
    expect(fault({ a: [{ b: Number.NaN }] })).toContain('a[0].b');
  });
});

describe('a change to a document', () => {
  const whole = z.strictObject({ size: z.number().positive(), word: z.string().default('plain') });
  const change = changeOf(whole);

  it('holds what is to change and leaves the rest alone, defaults too', () => {
    expect(readInput(change, { size: 2 })).toEqual({ size: 2 });
    expect(readInput(change, {})).toEqual({});
  });

  it('keeps the rules of each field', () => {
    expect(() => readInput(change, { size: -1 })).toThrow(/^size/);
    expect(() => readInput(change, { colour: 1 })).toThrow(/^colour: unknown key/);
  });
});
