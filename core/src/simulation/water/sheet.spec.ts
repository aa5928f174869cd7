import { describe, expect, it } from 'vitest';
import { paperById } from '../../materials/paper';
import { cellAt, plainPanelKernel, startPanel } from '.';

describe('how strongly a sheet holds water', () => {
  it('is 1 in the mean and log-normal, by the deviation blooms were fitted to', () => {
    const { panel } = startPanel(
      {
        ...{ widthMm: 150, heightMm: 100, cellMm: 0.5, seed: 12, pigments: [] },
        climate: { tempC: 20, rh: 0.5, airMs: 0 },
        paper: paperById('cotton-cold-300'),
      },
      plainPanelKernel,
    );
    const holds = Array.from(
      { length: panel.columns * panel.rows },
      (_, i) => panel.hold[cellAt(panel, i % panel.columns, Math.floor(i / panel.columns))],
    );
    const mean = (values: readonly number[]): number => values.reduce((a, b) => a + b, 0) / values.length;
    const logs = holds.map(Math.log);
    const middle = mean(logs);
    // Cells are the mean of what lies in them, which takes a little of the deviation of 0.6.
    const deviation = Math.sqrt(mean(logs.map((log) => (log - middle) ** 2)));
    expect(mean(holds)).toBeGreaterThan(0.93);
    expect(mean(holds)).toBeLessThan(1.07);
    expect(deviation).toBeGreaterThan(0.5);
    expect(deviation).toBeLessThan(0.65);
  });
});
