import { describe, expect, it } from 'vitest';
import { climateSchema, CLIMATES_BY_FEEL, latentHeat, saturationPressure, wetBulb } from '.';

describe('humid air, against published tables', () => {
  it.each([
    [0.01, 0.6117],
    [10, 1.2282],
    [20, 2.3393],
    [30, 4.247],
    [60, 19.946],
  ])('saturation pressure at %d °C', (tempC, kPa) =>
    expect(saturationPressure(tempC) / kPa).toBeCloseTo(1, 3),
  );

  it('latent heat at 20 °C', () => expect(Math.abs(latentHeat(20) - 2453.5)).toBeLessThan(1.5));

  it('wet bulb of 20 °C, 50 % is 13.7–13.9 °C (psychrometric chart)', () => {
    const bulb = wetBulb(20, 0.5 * saturationPressure(20));
    expect(bulb).toBeGreaterThan(13.6);
    expect(bulb).toBeLessThan(14);
  });

  it('wet bulb of saturated air is the air itself', () =>
    expect(wetBulb(25, saturationPressure(25))).toBeCloseTo(25, 6));
});

it('every climate by feel is one the schema takes', () => {
  for (const { tempC, rh, airMs } of CLIMATES_BY_FEEL)
    expect(climateSchema.safeParse({ tempC, rh, airMs }).success).toBe(true);
});
