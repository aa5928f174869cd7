import { cardFormatSchema, USUAL_SHEETS } from '../../commission/card';
import { briefSchema } from '../../commission/occasion';
import { paperById } from '../../materials/paper';
import type { Act } from './act';
import type { Plan } from './plan';
import type { Studio } from './studio';

/** What a card is begun from: an occasion, an envelope, or both. */
export interface Beginning {
  readonly id: string;
  readonly title: string;
  readonly occasion: string;
  readonly envelope: Plan['card']['envelope'];
  /** What more is known of the occasion: for whom, by when. */
  readonly brief?: Partial<Plan['brief']>;
}

/** A new card with the studio's paper, air and house rules, and the chores every card has. */
export function newPlan(beginning: Beginning, studio: Studio): Plan {
  return {
    format: 'kettle-plan',
    version: 10,
    id: beginning.id,
    title: beginning.title,
    brief: briefSchema.parse({ occasion: beginning.occasion, copies: 1, ...beginning.brief }),
    climate: studio.climate,
    card: cardFormatSchema.parse({ envelope: beginning.envelope, fold: 'side', border: 'taped' }),
    crop: null,
    paper: studio.paper,
    sheets: USUAL_SHEETS,
    rules: studio.rules,
    pictures: [],
    lines: [],
    words: [],
    guides: [],
    lamp: null,
    areas: [],
    things: [],
    whites: [],
    resists: [],
    palette: [],
    mixes: [],
    acts: ['prepare', 'tape', 'draw', 'untape', 'rub-out', 'score', 'fold', 'press'].map(asAct),
    variants: [],
    table: { boards: 1, hands: 1 },
    trials: [],
    sitting: null,
    accepted: [],
    notNeeded: [],
    embedded: { papers: [paperById(studio.paper)], pigments: [] },
  };
}

/** A card made again, for another day or person: its plan as it is, nothing of it done and nobody has one. */
export function madeAgain(plan: Plan, id: string): Plan {
  return {
    ...plan,
    id,
    title: `${plan.title.slice(0, 70)}, again`,
    brief: { ...plan.brief, forWhom: '', needBy: null, given: [] },
    sitting: null,
  };
}

const asAct = (chore: string): Act => ({ kind: 'chore', id: chore, chore, areas: [], handsS: null });
