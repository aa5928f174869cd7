import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { PIGMENTS } from '../../materials/pigment';
import { boxFromRows, boxRows, readGpl, writeGpl } from '.';

describe('a .gpl palette', () => {
  const some = fc.array(
    fc.record({
      hex: fc.integer({ min: 0, max: 0xffffff }).map((n) => `#${n.toString(16).padStart(6, '0')}`),
      name: fc.string({ minLength: 1, maxLength: 20 }).filter((name) => name.trim() !== ''),
    }),
    { maxLength: 30 },
  );
  it('comes back colour by colour, whatever it is called', () => {
    fc.assert(
      fc.property(some, (colours) => {
        const { name, colours: read } = readGpl(writeGpl('Autumn\nbox', colours));
        expect(name).toBe('Autumn box');
        expect(read.map(({ hex }) => hex)).toEqual(colours.map(({ hex }) => hex));
        expect(read.map((c) => c.name)).toEqual(colours.map((c) => c.name.replace(/\s+/g, ' ').trim()));
      }),
    );
  });
  it('passes over columns and remarks, and gives a nameless colour its code', () => {
    const text =
      'GIMP Palette\r\nName: x\r\nColumns: 3\r\n# of mine\r\n255 0  10\r\n\r\n1 2 3 near black\r\n';
    expect(readGpl(text).colours).toEqual([
      { hex: '#ff000a', name: '#ff000a' },
      { hex: '#010203', name: 'near black' },
    ]);
  });
  it.each([
    ['another file', 'hello', /no \.gpl file/],
    ['too large a number', 'GIMP Palette\n1 2 300 x', /line 2 is no colour/],
    ['a word for a number', 'GIMP Palette\nName: a\n1 two 3', /line 3 is no colour/],
    ['too much', `GIMP Palette\n${'1 2 3\n'.repeat(2001)}`, /2001 colours/],
  ])('refuses %s with its place', (_, text, says) => {
    expect(() => readGpl(text)).toThrow(says);
  });
});

describe('the paint box as a table', () => {
  const box = [
    { code: 'PB29', label: 'the old blue', place: 'row 1' },
    { code: 'PY150', label: '', place: '' },
  ];
  it('comes back, in whatever order its columns stand', () => {
    const rows = boxRows(box, PIGMENTS);
    expect(boxFromRows(rows, PIGMENTS)).toEqual(box);
    expect(
      boxFromRows(
        rows.map((row) => [...row].reverse()),
        PIGMENTS,
      ),
    ).toEqual(box);
    expect(boxFromRows([['CODE'], ['PB29'], ['']], PIGMENTS)).toEqual([
      { code: 'PB29', label: '', place: '' },
    ]);
  });
  it('refuses what it does not know, with its row', () => {
    expect(() => boxFromRows([['code'], ['PB29'], ['PX999']], PIGMENTS)).toThrow(/row 3.*unknown pigment/);
    expect(() => boxFromRows([['code'], ['PB29'], ['PB29']], PIGMENTS)).toThrow(/row 3.*second time/);
    expect(() => boxFromRows([['label'], ['x']], PIGMENTS)).toThrow('no column “code”');
    expect(() => boxFromRows([], PIGMENTS)).toThrow('no column “code”');
    expect(() =>
      boxFromRows(
        [
          ['code', 'label'],
          ['PB29', 'x'.repeat(99)],
        ],
        PIGMENTS,
      ),
    ).toThrow(/label/);
  });

  it('is not emptied by a heading alone', () =>
    expect(() => boxFromRows([['code', 'label']], PIGMENTS)).toThrow(/no pigments under it/));
});
