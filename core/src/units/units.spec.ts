import { describe, expect, it } from 'vitest';
import * as z from 'zod';
import { BadInput, formatClock, formatLength, formatSpan, parseLength, readInput } from '.';

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
