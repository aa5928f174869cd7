import { MUTED_BELOW, muddinessOf } from '../pigment';
import { laidMix, planPaper } from '../plan';
import type { Check } from './check';
import { usedMixes } from './used-mixes';

/** A mix whose pigments take each other’s colour and light, where no grey was wanted. */
export const mud: Check = {
  id: 'mud',
  severity: 'look',
  find: ({ plan }) =>
    usedMixes(plan).flatMap(({ mix, pass }) => {
      const { verdict, muddiness } = muddinessOf(
        laidMix(plan, mix, pass.filmUm),
        planPaper(plan),
        mix.wanted,
      );
      if (verdict !== 'mud') return [];
      return [
        {
          where: { pass: pass.id, area: pass.areas.at(0) },
          number: { value: Math.round(100 * muddiness) / 100, unit: 'of 1', limit: MUTED_BELOW },
          why: `${mix.name} loses most of the colour its pigments have alone: mud. Take one pigment out, or two that lie nearer.`,
        },
      ];
    }),
};
