import { paperById } from '../paper';
import type { Act } from './act';
import type { Plan } from './plan';
import type { Studio } from './studio';

/** What a card is begun from: an occasion, an envelope, or both. */
export interface Beginning {
  readonly id: string;
  readonly title: string;
  readonly occasion: string;
  readonly envelope: Plan['card']['envelope'];
}

/** A new card with the studio's paper, air and house rules, and the chores every card has. */
export function newPlan(beginning: Beginning, studio: Studio): Plan {
  return {
    format: 'kettle-plan',
    version: 2,
    id: beginning.id,
    title: beginning.title,
    brief: {
      occasion: beginning.occasion,
      forWhom: '',
      copies: 1,
      spares: 0,
      wordingOutside: '',
      wordingInside: '',
      needBy: null,
      postingDays: 2,
    },
    climate: studio.climate,
    card: {
      envelope: beginning.envelope,
      fold: 'side',
      border: 'taped',
      clearanceMm: 3,
      bulkMm: 0,
      panelRevealMm: 0,
      tapeMm: 4,
      bleedMm: 3,
    },
    paper: studio.paper,
    rules: studio.rules,
    lines: [],
    areas: [],
    whites: [],
    mixes: [],
    acts: ['prepare', 'tape', 'draw', 'untape', 'rub-out', 'score', 'fold', 'press'].map(asAct),
    sitting: null,
    accepted: [],
    notNeeded: [],
    embedded: { papers: [paperById(studio.paper)], pigments: [] },
  };
}

const asAct = (chore: string): Act => ({ kind: 'chore', id: chore, chore, areas: [], handsS: null });
