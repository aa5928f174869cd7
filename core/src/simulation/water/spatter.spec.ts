import { describe, expect, it } from 'vitest';
import { spatterDrops, THROWS } from '.';

const face = { widthMm: 100, heightMm: 80 };
const area = { rect: [10, 10, 80, 60] as const };
const thrown = (more: object = {}) =>
  spatterDrops({ tool: 'toothbrush', face, area, coverage: 0.2, seed: 3, ...more });

describe('spatter', () => {
  it.each(['toothbrush', 'tapped-brush'] as const)(
    'of a %s keeps to its range of drops and about its median',
    (tool) => {
      const diameters = thrown({ tool, coverage: 0.4 })
        .map(({ diameterMm }) => diameterMm)
        .sort((a, b) => a - b);
      expect(diameters[0]).toBeGreaterThanOrEqual(THROWS[tool].leastMm);
      expect(diameters.at(-1)).toBeLessThanOrEqual(THROWS[tool].mostMm);
      expect(diameters[diameters.length >> 1] / THROWS[tool].medianMm).toBeGreaterThan(0.85);
      expect(diameters[diameters.length >> 1] / THROWS[tool].medianMm).toBeLessThan(1.15);
    },
  );

  /** Distribution function of the standard normal (Abramowitz & Stegun 7.1.26, error below 1.5e-7). */
  const phi = (z: number): number => {
    const t = 1 / (1 + (0.3275911 * Math.abs(z)) / Math.SQRT2);
    const erf =
      1 -
      ((((1.061405429 * t - 1.453152027) * t + 1.421413741) * t - 0.284496736) * t + 0.254829592) *
        t *
        Math.exp((-z * z) / 2);
    return z < 0 ? (1 - erf) / 2 : (1 + erf) / 2;
  };

  it.each(['toothbrush', 'tapped-brush'] as const)(
    'of a %s has the diameters of its log-normal cut off at both ends (Kolmogorov 1933)',
    (tool) => {
      const { medianMm, sigma, leastMm, mostMm } = THROWS[tool];
      const at = (mm: number): number => phi(Math.log(mm / medianMm) / sigma);
      const distribution = (mm: number): number => (at(mm) - at(leastMm)) / (at(mostMm) - at(leastMm));
      const statistics = [1, 2, 3, 4, 5, 6, 7, 8].map((seed) => {
        const diameters = thrown({ tool, coverage: tool === 'toothbrush' ? 0.2 : 0.6, seed })
          .map(({ diameterMm }) => diameterMm)
          .sort((a, b) => a - b);
        const gap = diameters.map((mm, i) =>
          Math.max((i + 1) / diameters.length - distribution(mm), distribution(mm) - i / diameters.length),
        );
        expect(diameters.length).toBeGreaterThan(500);
        return Math.sqrt(diameters.length) * Math.max(...gap);
      });
      // One throw in a hundred passes 1.63 by chance; of eight, the middle one is near 0.83.
      expect(statistics.filter((statistic) => statistic > 1.63).length).toBeLessThanOrEqual(1);
      expect(statistics.sort((a, b) => a - b)[4]).toBeLessThan(1.1);
    },
  );

  it('covers the share asked for, drops overlapping as they fall', () => {
    for (const coverage of [0.05, 0.3, 0.6]) {
      const drops = thrown({ coverage, area: { rect: [0, 0, 60, 60] } });
      let covered = 0;
      for (let x = 5; x < 55; x += 2)
        for (let y = 5; y < 55; y += 2)
          if (drops.some(({ xMm, yMm, diameterMm }) => Math.hypot(xMm - x, yMm - y) <= diameterMm / 2))
            covered++;
      expect(covered / 625).toBeGreaterThan(coverage * 0.85 - 0.01);
      expect(covered / 625).toBeLessThan(coverage * 1.15 + 0.01);
    }
  });

  it('is the same from the same seed', () => {
    expect(thrown()).toEqual(thrown());
    expect(thrown({ seed: 4 })).not.toEqual(thrown());
    expect(thrown({ coverage: 0 })).toEqual([]);
  });

  it('throws larger drops from a larger brush', () => {
    const mean = (brushSize: number): number => {
      const drops = thrown({ tool: 'tapped-brush', brushSize });
      return drops.reduce((sum, { diameterMm }) => sum + diameterMm, 0) / drops.length;
    };
    expect(mean(14)).toBeGreaterThan(1.1 * mean(4));
  });

  it('stays in its area, on the face and off the shields; a torn edge lets some in and keeps some out', () => {
    const shape = { rect: [0, 0, 50, 80] as const };
    const open = thrown({ coverage: 0.5 });
    const cut = thrown({ coverage: 0.5, shields: [{ shape, edge: 'cut' }] });
    const torn = thrown({ coverage: 0.5, shields: [{ shape, edge: 'torn' }] });
    expect(open.every(({ xMm, yMm }) => xMm >= 10 && xMm < 90 && yMm >= 10 && yMm < 70)).toBe(true);
    expect(cut.every(({ xMm }) => xMm >= 50)).toBe(true);
    expect(cut).toEqual(open.filter(({ xMm }) => xMm >= 50));
    const strays = torn.filter(({ xMm }) => xMm < 50);
    expect(strays.length).toBeGreaterThan(0);
    expect(strays.every(({ xMm }) => xMm > 48)).toBe(true);
    expect(torn.length).toBeLessThan(cut.length + strays.length);
  });
});
