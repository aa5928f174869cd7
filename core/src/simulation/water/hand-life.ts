import { surfaceNoise } from './noise';

/**
 * A hand's mix is never quite even from stroke to stroke: how far its strength wavers, as the logarithm, over how many mm. Broad
 * enough that levelling does not take it away (a film levels over a centimetre within seconds; fitted to be seen and not looked at).
 */
const WAVERS = [
  { sizeMm: 16, by: 0.05 },
  { sizeMm: 4, by: 0.025 },
] as const;

/** How much stronger than its mean a hand's mix is at a place, about 1. */
export function handLife(seed: number): (xMm: number, yMm: number) => number {
  const layers = WAVERS.map(({ sizeMm, by }, layer) => ({ by, noise: surfaceNoise(sizeMm, seed + layer) }));
  return (xMm, yMm) => Math.exp(layers.reduce((sum, { by, noise }) => sum + by * noise(xMm, yMm), 0));
}
