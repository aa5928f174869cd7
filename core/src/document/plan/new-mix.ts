import type { PlannedMix } from './plan';

/** A mix of the dish of which nothing more is said: watercolour, in no well yet, for no wanted colour. */
export const newMix = (
  said: Pick<PlannedMix, 'id' | 'name' | 'parts' | 'strength'> & Partial<PlannedMix>,
): PlannedMix => ({ wanted: null, medium: 'watercolour', well: null, mixedMl: null, ...said });
