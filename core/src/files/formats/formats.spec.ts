import { strToU8, zipSync } from 'fflate';
import { describe, expect, it } from 'vitest';
import { addPass, smallPlan, applyCommands, type Plan } from '../../document/plan';
import { BadInput } from '../../kit/units';
import { readKettleFile, writeKettleFile } from '.';

const faultOf = (run: () => unknown): BadInput => {
  try {
    run();
  } catch (cause) {
    if (cause instanceof BadInput) return cause;
    throw cause;
  }
  throw new Error('expected a refusal');
};

describe('a .kettle file', () => {
  const plan = smallPlan(addPass('p1', 'sky', 'blue'), {
    do: 'add-line',
    line: { id: 'l', kind: 'pencil', points: [[1.25, 2, 0.5]] },
  });

  const picture = {
    id: 'pic',
    name: 'sky',
    file: 'photo.png',
    use: 'traced' as const,
    corners: null,
    bare: [],
  };
  const withPicture: Plan = {
    ...plan,
    pictures: [{ ...picture, at: [1, 2], widthMm: 20, heightMm: 10, faded: 0.5 }],
  };
  const content = new Uint8Array([1, 2, 3]);

  it('comes back identical to the last field, pictures too', () => {
    const file = { plan: withPicture, attachments: { 'photo.png': content } };
    expect(readKettleFile(writeKettleFile(file))).toEqual({ ...file, missing: [], leftOut: [] });
    expect(writeKettleFile(file)).toEqual(writeKettleFile(file));
  });

  it('of thousands of strokes opens again', () => {
    const points = Array.from({ length: 60 }, (_, i) => [i + 0.123456, 50.654321, 0.512345] as const);
    const lines = Array.from({ length: 5000 }, (_, i) => ({ id: `l${i}`, kind: 'pencil' as const, points }));
    const drawn = applyCommands(plan, [{ do: 'redraw-lines', gone: [], lines }]).plan;
    expect(readKettleFile(writeKettleFile({ plan: drawn, attachments: {} })).plan.lines.length).toBe(5001);
  });

  it('that would not open again is not written', () =>
    expect(() => writeKettleFile({ plan, attachments: { 'a.png': new Uint8Array(65 * 2 ** 20) } })).toThrow(
      'could not be opened again',
    ));

  it('says which picture is not in it, and what in it is none of the plan’s', () => {
    const file = writeKettleFile({ plan: withPicture, attachments: { 'other.png': content } });
    expect(readKettleFile(file)).toEqual({
      ...{ plan: withPicture, attachments: {} },
      ...{ missing: ['sky'], leftOut: ['attachments/other.png'] },
    });
  });

  const packed = (json: string): Uint8Array => zipSync({ 'plan.json': strToU8(json) });
  const changed = (change: object): Uint8Array => packed(JSON.stringify({ ...plan, ...change }));

  it.each<[string, Uint8Array, string, RegExp]>([
    ['no zip', strToU8('not a zip at all'), 'file', /damaged/],
    ['cut short', writeKettleFile({ plan, attachments: {} }).slice(0, 900), 'file', /damaged/],
    ['empty', new Uint8Array(0), 'file', /damaged/],
    ['another zip', zipSync({ 'a.txt': strToU8('x') }), 'plan.json', /missing/],
    ['broken JSON', packed('{"format": "kettle-plan", }'), 'plan.json', /position 26/],
    ['foreign', changed({ format: 'other' }), 'format', /another program/],
    ['newer', changed({ version: 11 }), 'version', /newer.*untouched/],
    ['nonsense version', changed({ version: 'two' }), 'version', /whole number/],
    ['damaged field', changed({ climate: { tempC: 20, rh: 55, airMs: 0 } }), 'climate.rh', /fraction/],
    ['extra field', changed({ extra: 1 }), 'extra', /unknown key/],
    ['missing field', changed({ title: undefined }), 'title', /missing/],
    ['null', packed('null'), '', /not an object/],
  ])('refused: %s', (_, bytes, field, reason) => {
    const fault = faultOf(() => readKettleFile(bytes));
    expect(fault.field).toBe(field);
    expect(fault.reason).toMatch(reason);
  });
});
