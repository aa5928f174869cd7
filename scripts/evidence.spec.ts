import { readFileSync } from 'node:fs';
import { describe, expect, it } from 'vitest';
import { effectsTable, evidenceTable, TEXTS, withEvidence, withMeasurements } from './evidence';
import { evidenceOf } from './measure/limits';

const rows = [
  ...evidenceOf('peg-drag', {
    figures: { p95Ms: 21, longestTaskMs: 74 },
    below: { p95Ms: 50, longestTaskMs: 50 },
  }),
  ...evidenceOf('whites', { figures: {}, above: { recall: 0.9 } }),
];

describe('the evidence', () => {
  it('names what does not hold, and what was not measured', () => {
    expect(evidenceTable(rows)).toBe(
      [
        '| measure | bounds that hold | red |',
        '| --- | --- | --- |',
        '| peg-drag | 1 of 2 | **longestTaskMs** 74, asked below 50 |',
        '| whites | 0 of 1 | **recall** missing, asked above 0.9 |',
      ].join('\n'),
    );
  });

  it('names an effect that misses its band on any sheet, with how far', () => {
    const rim = { mean: 1.5361, least: 1.443, most: 1.6, from: 1.5, holds: false };
    const table = effectsTable({
      rim,
      edge: { mean: 1.2, least: 1.1, most: 1.3, from: 1.1, to: 2.2, holds: true },
    });
    expect(table.split('\n').slice(2)).toEqual([
      '| rim | ≥ 1.5 | 1.54 (1.443 to 1.6) **not yet modelled** |',
      '| edge | 1.1–2.2 | 1.2 |',
    ]);
  });

  it('puts figures where they are told, as finely as they stand there', () => {
    const text = 'at most 3.7 %<!-- flat-wash.worst × 100 --> apart, 12 ms<!-- peg.p95 --> a step, 5 more';
    expect(withEvidence(text, rows, (file) => (file === 'peg' ? 20.6 : 0.0728))).toBe(
      'at most 7.3 %<!-- flat-wash.worst × 100 --> apart, 21 ms<!-- peg.p95 --> a step, 5 more',
    );
  });

  it('knows figures whose names are several words', () => {
    const told = withEvidence('1.0<!-- picture.rim 60 µm -->', rows, (_, name) =>
      name === 'rim 60 µm' ? 1.38 : NaN,
    );
    expect(told).toBe('1.4<!-- picture.rim 60 µm -->');
  });

  it.each(TEXTS)('%s tells the figures that were measured', (name) => {
    const text = readFileSync(name, 'utf8');
    expect(withMeasurements(text)).toBe(text);
  });
});
