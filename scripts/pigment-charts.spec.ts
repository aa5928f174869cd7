import { readFileSync } from 'node:fs';
import { expect, it } from 'vitest';
import { PIGMENTS } from '@kettle/core/materials/pigment';
import { pigmentCharts } from './pigment-charts';

const charts = pigmentCharts();

it.each(Object.keys(charts))('docs show %s as the model now draws it', (name) =>
  expect(readFileSync(`docs/pigment-charts/${name}`, 'utf8')).toBe(charts[name]),
);

it('every pigment has its swatch', () => {
  for (const { code } of PIGMENTS) expect(charts['swatches.svg']).toContain(`>${code} · `);
});
