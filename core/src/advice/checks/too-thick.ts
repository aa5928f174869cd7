import { weighCard, type CardFormat, type PostLimits } from '../../commission/card';
import { formatOf, planPaper, sizesOf, stillToCrop, type Plan, smallPlan } from '../../document/plan';
import type { Check, Found } from './check';
import { DESK } from './edge-plans';

/** What can be left out of a card that is too much for the post, the least missed first. */
const LEFT_OUT: readonly { readonly says: string; readonly change: Partial<CardFormat> }[] = [
  { says: 'Mount it without foam', change: { foamMm: 0 } },
  { says: 'Leave the liner out', change: { linerMm: 0 } },
  { says: 'Leave the mats out', change: { mats: [] } },
  { says: 'Leave foam, liner and mats out', change: { foamMm: 0, linerMm: 0, mats: [] } },
];

/** A card that is thicker or heavier in its envelope than the post takes a letter. The limits are the studio's own. */
export const tooThick: Check = {
  id: 'too-thick',
  name: 'Too much for a letter',
  station: 'passes',
  severity: 'look',
  when: 'in its envelope a card is thicker or heavier than a letter may be',
  source: 'the studio’s own numbers',
  find: ({ plan, desk }) => {
    if (!desk || stillToCrop(plan) || !sizesOf(plan).fits) return [];
    const { letter } = desk;
    const { weightG, thicknessMm, over } = weighed(plan, formatOf(plan), letter);
    if (over === null) return [];
    const isThick = thicknessMm > letter.thicknessMm;
    return [
      {
        where: {},
        number: isThick
          ? { value: Math.round(10 * thicknessMm) / 10, unit: 'mm', limit: letter.thicknessMm }
          : { value: Math.round(weightG), unit: 'g', limit: letter.weightG },
        why: `in its envelope the card is ${over} for a letter.`,
        ...lighter(plan, letter),
      },
    ];
  },
  edges: () => [{ wrong: foamed(2), right: foamed(1), desk: DESK }],
};

/** A card mounted on so much foam. */
const foamed = (foamMm: number): Plan =>
  smallPlan({ do: 'set-format', change: { panelRevealMm: 6, foamMm } });

const weighed = (plan: Plan, format: CardFormat, letter: PostLimits) =>
  weighCard(format, sizesOf({ ...plan, card: format }), planPaper(plan), plan.sheets, letter);

function lighter(plan: Plan, letter: PostLimits): Pick<Found, 'fix'> {
  const way = LEFT_OUT.find(
    ({ change }) => weighed(plan, { ...formatOf(plan), ...change }, letter).over === null,
  );
  return way ? { fix: { says: way.says, commands: [{ do: 'set-format', change: way.change }] } } : {};
}
