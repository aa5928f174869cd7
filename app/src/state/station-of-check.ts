import type { Station } from '@kettle/core/plan';

/** What is mended where something else than the order of work is amiss. */
const STATIONS: Readonly<Partial<Record<Station, readonly string[]>>> = {
  paper: ['card-off-envelope'],
  whites: [
    ...['mask-not-set', 'mask-too-long', 'mask-too-large', 'mask-line-too-fine', 'counter-closed'],
    ...['barrier-gap', 'white-crossed', 'contour-lost', 'lift-on-staining', 'spatter-too-small'],
  ],
  colours: ['lighter-over-darker'],
};

/** At which station a finding of a check is mended. */
export const stationOfCheck = (check: string): Station =>
  (Object.keys(STATIONS) as Station[]).find((station) => STATIONS[station]!.includes(check)) ?? 'passes';
