import { strToU8, zipSync } from 'fflate';
import { describe, expect, it } from 'vitest';
import { addPass, smallPlan } from '../testing/small-plan';
import { BadInput } from '../units';
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

  it('comes back identical to the last field, attachments too', () => {
    const bytes = writeKettleFile({ plan, attachments: { 'photo.png': new Uint8Array([1, 2, 3]) } });
    expect(readKettleFile(bytes)).toEqual({ plan, attachments: { 'photo.png': new Uint8Array([1, 2, 3]) } });
    expect(writeKettleFile({ plan, attachments: {} })).toEqual(writeKettleFile({ plan, attachments: {} }));
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
    ['newer', changed({ version: 10 }), 'version', /newer.*untouched/],
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
