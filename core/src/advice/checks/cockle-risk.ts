import { polygonArea } from '../../kit/geometry';
import { nameOf, outlineOf, paintedOf, planPaper, type Plan } from '../../document/plan';
import { PUDDLED_FILM_UM } from '../../simulation/water';
import type { Check } from './check';
import { washedSky } from './edge-plans';

/** A sheet taped all round is held: it cockles so much less. Ours. */
const TAPED = 0.5;

/** Cockle of the paper × share of the panel wetted × puddles laid; from here it buckles into hills. Ours. */
const LIMIT = 0.5;

/** A pass so wet and so large that the paper buckles and the colour runs into its valleys. */
export const cockleRisk: Check = {
  id: 'cockle-risk',
  name: 'Paper that cockles',
  station: 'passes',
  severity: 'look',
  when: `cockle of the paper × share wetted × film ÷ ${PUDDLED_FILM_UM} µm comes over ${LIMIT}; taped down it counts ${TAPED}`,
  source: 'ours',
  find: ({ plan }) => {
    const { panel } = paintedOf(plan);
    const held = plan.card.border === 'taped' ? TAPED : 1;
    return plan.acts.flatMap((act) => {
      if (act.kind !== 'pass' || act.areas.length === 0) return [];
      const wetted = act.areas.reduce((sum, area) => sum + polygonArea(outlineOf(plan, area)), 0);
      const share = Math.min(1, (wetted * act.covers) / (panel.widthMm * panel.heightMm));
      const risk = planPaper(plan).cockle * held * share * (act.filmUm / PUDDLED_FILM_UM);
      if (risk <= LIMIT) return [];
      const dryFilmUm = Math.floor((act.filmUm * LIMIT) / risk);
      return [
        {
          where: { area: act.areas[0], pass: act.id },
          number: { value: Math.round(100 * risk) / 100, unit: 'of 1', limit: LIMIT },
          why: `so much water on ${nameOf(plan, act.areas[0])} buckles this paper${held === 1 ? '; taped down or stretched it lies flatter' : ''}.`,
          ...(dryFilmUm < 1
            ? {}
            : {
                fix: {
                  says: 'Take less water',
                  commands: [{ do: 'change-pass' as const, pass: act.id, change: { filmUm: dryFilmUm } }],
                },
              }),
        },
      ];
    });
  },
  edges: () => [{ wrong: onThinPaper(162), right: onThinPaper(158) }],
};

/** A sky washed so wet on paper that cockles as much as any: half of a taped panel. */
function onThinPaper(filmUm: number): Plan {
  const plan = washedSky({ filmUm });
  const papers = plan.embedded.papers.map((paper) => ({ ...paper, cockle: 1 }));
  return { ...plan, embedded: { ...plan.embedded, papers } };
}
