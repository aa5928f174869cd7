import {
  asParts,
  deedOf,
  partName,
  choreOf,
  mixesOf,
  techniqueOf,
  waterWord,
  type Act,
  type Plan,
} from '@kettle/core/document/plan';
import type { SittingNow, WetNow } from '@kettle/core/order/sitting';
import { formatClock, formatSpan } from '@kettle/core/kit/units';
import { STAGE_WORDS } from '@kettle/core/simulation/water';
import { mixLooks, type MixLook } from '../colours/colours.view';
import { actInWords, mixesInWords, toMind } from '../../ui/act-words';
import { strandOutline } from '../../ui/strand.view';

/** The one act to do, in words large enough for arm's length. */
export interface ActCard {
  readonly title: string;
  readonly how: string;
  readonly advice: string;
  /** What else is to be minded. */
  readonly mind: readonly string[];
  readonly gate: { readonly test: string; readonly question: string } | null;
  readonly caution: string | null;
}

/** One wet thing on the table, with its strand from laying to dry. */
export interface WetCard {
  readonly area: string;
  readonly name: string;
  readonly stage: string;
  readonly left: string;
  readonly band: string;
  /** Its water from laying to dry, as a path 300 px long about the level 18. */
  readonly strand: string;
  /** Share of its drying that is over, 0…1. */
  readonly share: number;
}

/** Drying scatters from table to table; without the studio's own notes 80 % of cases lie within this factor (1.28 σ of 15 %). */
const BAND_FACTOR = Math.exp(1.2816 * 0.15);

/** The act in words, with its gate and its caution. */
export function actCard(plan: Plan, act: Act): ActCard {
  if (act.kind === 'pass') {
    return {
      title: actInWords(plan, act),
      how: `${mixesInWords(plan, act)} · ${waterWord(act.filmUm)}`,
      advice: techniqueOf(act.technique).advice,
      mind: toMind(plan, act),
      gate: null,
      caution: null,
    };
  }
  const chore = choreOf(act.chore);
  return {
    title: actInWords(plan, act),
    how: '',
    advice: '',
    mind: [],
    gate: chore.gate ?? null,
    caution: chore.caution ?? null,
  };
}

/** Everything wet, the next to be dry first. */
export function wetCards(plan: Plan, { wet, atS }: SittingNow): WetCard[] {
  return asParts(
    plan,
    wet.map(({ area }) => area),
  )
    .map(({ name, members }) => ({ name, ...slowestOf(wet.filter(({ area }) => members.includes(area))) }))
    .sort((a, b) => (a.leftS ?? Infinity) - (b.leftS ?? Infinity))
    .map((w) => ({
      area: w.area,
      name: w.name,
      stage: STAGE_WORDS[w.stage],
      left: w.leftS === null ? 'never' : formatClock(w.leftS),
      band: bandOf(w, atS),
      strand: strandOf(w, atS),
      share: w.leftS === null ? 0 : (atS - w.wash.laidS) / (atS - w.wash.laidS + w.leftS),
    }));
}

/** A thing is dry when its last part is. */
const slowestOf = (wet: readonly WetNow[]): WetNow =>
  wet.reduce((a, b) => ((b.leftS ?? Infinity) > (a.leftS ?? Infinity) ? b : a));

const STRAND_PX = 300;
const STRAND_Y = 18;

function strandOf({ wash, leftS }: WetNow, atS: number): string {
  const endS = atS + (leftS ?? 0);
  const pxPerS = STRAND_PX / Math.max(1, endS - wash.laidS);
  return strandOutline(wash, wash.laidS, endS, (s) => (s - wash.laidS) * pxPerS, STRAND_Y);
}

function bandOf({ leftS, wash }: WetNow, atS: number): string {
  if (leftS === null) return 'does not dry in this air';
  const sofar = atS - wash.laidS;
  const total = sofar + leftS;
  const early = Math.max(0, total / BAND_FACTOR - sofar);
  const minutes = (s: number): number => Math.round(s / 60);
  return `to dry, 8 in 10 times ${minutes(early)} to ${minutes(total * BAND_FACTOR - sofar)} min`;
}

/** One mask on the table: of the parts of a thing, the one that sets last. */
export interface MaskCard {
  readonly name: string;
  readonly state: string;
  readonly on: string;
}

/** Every mask that lies, a thing once. */
export const maskCards = (plan: Plan, { masks }: SittingNow): MaskCard[] =>
  asParts(
    plan,
    masks.map(({ area }) => area),
  ).map(({ name, members }) => {
    const { setInS, onForS } = masks
      .filter(({ area }) => members.includes(area))
      .reduce((a, b) => ((b.setInS ?? Infinity) > (a.setInS ?? Infinity) ? b : a));
    const sets = setInS === null ? 'never sets in this air' : `sets in ${formatClock(setInS)}`;
    return { name, state: setInS === 0 ? 'set' : sets, on: `on for ${formatSpan(onForS)}` };
  });

/** The thing waited for: an area, or the mask on it; `null` for none. */
export function waitName(plan: Plan, { waitArea, waitFor }: SittingNow): string | null {
  if (waitArea === null) return null;
  const name = partName(plan, waitArea);
  return waitFor === 'mask' ? `mask on the ${name}` : name;
}

/** What the hands wait for, in words; empty when the act can begin. */
export function waitInWords(plan: Plan, now: SittingNow): string {
  if (now.waitS === 0) return '';
  const name = waitName(plan, now);
  if (now.waitS === null)
    return `${name ?? 'It'} never gets ready in air this damp: warm the room, or change the plan.`;
  return name === null
    ? `Leave it ${formatSpan(now.waitS)}.`
    : `Wait for the ${name}: ${formatClock(now.waitS)}`;
}

/** The mixes the passes use, to be mixed before any wetting. */
export const mixesToPrepare = (plan: Plan): MixLook[] =>
  mixLooks(plan).filter(({ mix }) =>
    plan.acts.some((act) => act.kind === 'pass' && mixesOf(act).includes(mix.id)),
  );

/** What else must lie ready before the first wash. */
export function layReady(plan: Plan): string[] {
  const masked = plan.acts.some((act) => deedOf(act) === 'masks');
  return [
    'two jars of water, one kept clean',
    'tissue, and a cloth over the desk',
    ...(masked ? ['masking fluid stirred, not shaken; a soaped old brush'] : []),
  ];
}
