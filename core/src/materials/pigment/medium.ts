/** What carries a pigment to the paper. */
export interface Medium {
  readonly id: string;
  readonly name: string;
  /**
   * Dry film it leaves for the same water and strength, against watercolour: thicker paint covers more. Our own defaults;
   * makers differ.
   */
  readonly body: number;
  /** Whether it stays where it is once dry: neither a wet brush nor lifting takes it up again. */
  readonly waterfast: boolean;
  readonly advice: string;
}

/** The media of a dish; technique and medium are chosen apart. */
export const MEDIA = [
  {
    ...{ id: 'watercolour', name: 'watercolour', body: 1, waterfast: false },
    advice: 'From pan or tube.',
  },
  {
    ...{ id: 'liquid', name: 'liquid watercolour', body: 0.8, waterfast: false },
    advice: 'Strong and thin; most of it stains, and many are dyes: mind the light it will hang in.',
  },
  {
    ...{ id: 'opaque', name: 'opaque watercolour', body: 3, waterfast: false },
    advice: 'Thick, or it does not cover; a wet brush over it stirs it up.',
  },
  {
    ...{ id: 'metallic', name: 'metallic', body: 1.5, waterfast: false },
    advice: 'Shows best over a dark; shake or stir, mica settles.',
  },
  {
    ...{ id: 'ink', name: 'waterproof ink', body: 1, waterfast: true },
    advice: 'Bone dry below. Rinse the nib at once; once dry it neither lifts nor runs.',
  },
] as const satisfies readonly Medium[];
export type MediumId = (typeof MEDIA)[number]['id'];
export const MEDIUM_IDS = MEDIA.map(({ id }) => id) as [MediumId, ...MediumId[]];

/** Finds a medium by id; a plan's schema has already refused unknown ones. */
export const mediumOf = (id: MediumId): Medium => MEDIA.find((medium) => medium.id === id)!;
