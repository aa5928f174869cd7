import { chance } from '../../core/src/kit/units';
import { readingErrors } from '../../core/src/testing/painted-swatches';
import type { Measured } from './limits';

const PHOTOS = 20;

/** Swatch sheets photographed in twenty ways, turned, tinted, blurred and lit from one side, and read back. */
export function measureSwatchSheets(): Measured {
  const random = chance(17);
  const between = (least: number, most: number): number => least + random() * (most - least);
  const photos = Array.from({ length: PHOTOS }, (_, i) =>
    readingErrors({
      turnDeg: between(-5, 5),
      tint: [between(0.8, 0.96), between(0.7, 0.9), between(0.5, 0.9)],
      falls: [between(-0.4, 0.4), between(-0.4, 0.4)],
      ...{ vignette: between(0, 0.3), blurMm: between(0, 0.8), noise: between(0, 0.03), seed: i },
    }),
  );
  const means = photos.map((errors) => errors.reduce((a, b) => a + b, 0) / errors.length);
  return {
    figures: {
      photos: PHOTOS,
      meanDeltaE: means.reduce((a, b) => a + b, 0) / PHOTOS,
      worstPhotoMeanDeltaE: Math.max(...means),
      worstBlankDeltaE: Math.max(...photos.flat()),
    },
    below: { meanDeltaE: 3, worstPhotoMeanDeltaE: 3 },
  };
}
