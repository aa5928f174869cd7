import { cardsBegun } from '@kettle/core/commission/occasion';
import type { PaintedVariant, Plan } from '@kettle/core/document/plan';
import { copiesInTurn, type Batch } from '@kettle/core/order/schedule';
import { formatClock, formatSpan } from '@kettle/core/kit/units';
import { actInWords } from '../../ui/act-words';
import { mixLooks } from '../colours/colours.view';
import { shortDay } from '../../ui/short-day';

/** Hands on one copy: an act in the colour it lays, or in ink where it lays none. px. */
export interface Knot {
  readonly x: number;
  readonly width: number;
  readonly colour: string | null;
  readonly label: string;
}

/** All copies as threads through the same time, one under the other; lengths in px. */
export interface BatchDrawing {
  readonly width: number;
  readonly height: number;
  readonly left: number;
  readonly threads: readonly {
    readonly copy: number;
    readonly label: string;
    readonly y: number;
    readonly fromX: number;
    readonly toX: number;
    readonly knots: readonly Knot[];
  }[];
  readonly breaks: readonly { readonly x: number; readonly width: number; readonly added: boolean }[];
  readonly ticks: readonly { readonly x: number; readonly label: string }[];
  /** Where one evening ends and the next begins. */
  readonly nights: readonly number[];
}

/** Room for a copy’s number, or for its name where copies are of several kinds. */
const LEFT_PX = { number: 30, name: 150 };

/** Of a longer name the end is left out. */
const MOST_LETTERS = 24;

const RIGHT_PX = 16;
const TOP_PX = 14;
const BOTTOM_PX = 24;
const MOST_ROW_PX = 34;

/** A copy of a batch: what it is painted by, and what it is called. */
interface Sheet {
  readonly plan: Plan;
  /** Its card where there are several, and its number where there are several of that. */
  readonly title: string | null;
  readonly number: number | null;
  readonly variant: string | null;
}

const shortened = (words: string): string =>
  words.length > MOST_LETTERS ? `${words.slice(0, MOST_LETTERS - 1)}…` : words;

/** All copies of a batch in the order of their numbers. */
function sheetsOf(plans: readonly Plan[]): Sheet[] {
  const kinds = copiesInTurn(plans);
  const cardOf = ({ plan }: PaintedVariant): string => plan.id;
  return kinds.map((kind, i) => {
    const own = kinds.filter((other) => cardOf(other) === cardOf(kind)).length;
    const before = kinds.slice(0, i).filter((other) => cardOf(other) === cardOf(kind)).length;
    return {
      plan: kind.plan,
      title: plans.length > 1 ? kind.plan.title : null,
      number: plans.length > 1 && own === 1 ? null : before + 1,
      variant: kind.variant?.name ?? null,
    };
  });
}

/** “copy 3, in rose”, or of several cards “Heron at low tide 2”. */
const sheetInWords = ({ title, number, variant }: Sheet): string =>
  [
    title === null ? `copy ${number}` : [title, number].filter((part) => part !== null).join(' '),
    ...(variant === null ? [] : [variant]),
  ].join(', ');

export function batchDrawing(
  plans: readonly Plan[],
  batch: Batch,
  width: number,
  heightPx: number,
): BatchDrawing {
  const sheets = sheetsOf(plans);
  const alike = sheets.every(({ title, variant }) => title === null && variant === null);
  const left = alike ? LEFT_PX.number : LEFT_PX.name;
  const pxPerS = (width - left - RIGHT_PX) / batch.endS;
  const x = (s: number): number => left + s * pxPerS;
  const rowPx = Math.min(MOST_ROW_PX, (heightPx - TOP_PX - BOTTOM_PX) / batch.copies);
  const looks = new Map(
    plans.map((plan) => [plan.id, new Map(mixLooks(plan).map(({ mix, dry }) => [mix.id, dry]))]),
  );
  const colourOf = (plan: Plan, id: string): string | null => {
    const act = plan.acts.find((a) => a.id === id);
    return act?.kind === 'pass' && act.mix !== null ? (looks.get(plan.id)!.get(act.mix) ?? null) : null;
  };
  const hour = [900, 1800, 3600, 7200, 14_400].find((s) => s * pxPerS >= 60) ?? 28_800;
  return {
    ...{ width, height: TOP_PX + rowPx * batch.copies + BOTTOM_PX, left },
    threads: Array.from({ length: batch.copies }, (_, i) => {
      const own = batch.steps.filter(({ copy }) => copy === i + 1);
      const { plan } = sheets[i];
      return {
        copy: i + 1,
        label: alike ? String(i + 1) : shortened(sheetInWords(sheets[i])),
        y: TOP_PX + (i + 0.5) * rowPx,
        fromX: x(own[0].startS),
        toX: x(Math.max(...own.map(({ endS }) => endS))),
        knots: own.map(({ id, startS, endS }) => ({
          x: x(startS),
          width: Math.max(1.5, (endS - startS) * pxPerS),
          colour: colourOf(plan, id),
          label: `${formatClock(startS)} ${said(plan, id)}, ${sheetInWords(sheets[i])}`,
        })),
      };
    }),
    nights: (batch.evenings ?? []).slice(1).map(({ from }) => x(batch.steps[from].startS)),
    breaks: batch.breaks.map(({ startS, endS, added }) => ({
      x: x(startS),
      width: (endS - startS) * pxPerS,
      added,
    })),
    ticks: Array.from({ length: Math.floor(batch.endS / hour) + 1 }, (_, i) => ({
      x: x(i * hour),
      label: i === 0 ? '0' : formatSpan(i * hour),
    })),
  };
}

const said = (plan: Plan, id: string): string =>
  actInWords(
    plan,
    plan.acts.find((act) => act.id === id)!,
  );

/** One stage of a batch in words: what is done, and on which copies. */
export interface BatchStage {
  readonly at: string;
  readonly what: string;
  readonly copies: string;
}

/** The order of a batch, stage by stage: the same acts on one copy after another are one stage; breaks stand between. */
export function batchStages(plans: readonly Plan[], batch: Batch): BatchStage[] {
  const stages: { atS: number; what: string; copies: number[] }[] = [];
  const sheets = sheetsOf(plans);
  const turns = turnsOf(batch);
  for (const { atS, ids, copy } of turns) {
    const last = stages.at(-1);
    const { plan } = sheets[copy - 1];
    const what = ids.map((id) => said(plan, id)).join(', then ');
    const rest = batch.breaks.some(({ startS, added }) => added && last && startS > last.atS && startS < atS);
    if (last?.what === what && !rest) last.copies.push(copy);
    else stages.push({ atS, what, copies: [copy] });
  }
  const rests = batch.breaks
    .filter(({ added }) => added)
    .map(({ startS, endS }) => ({
      atS: startS,
      what: `Rest ${formatSpan(endS - startS)}`,
      copies: [] as number[],
    }));
  return [...stages, ...rests]
    .sort((a, b) => a.atS - b.atS)
    .map(({ atS, what, copies }) => ({
      at: formatClock(atS),
      what,
      copies: copiesInWords(sheets, copies),
    }));
}

/** Hands that are free for longer have been somewhere else, s. */
const LEFT_S = 60;

/** What is done to one copy before the hands go elsewhere. */
function turnsOf({ steps }: Batch): { atS: number; untilS: number; copy: number; ids: string[] }[] {
  const turns: { atS: number; untilS: number; copy: number; ids: string[] }[] = [];
  for (const { id, copy, startS, endS } of steps) {
    const last = turns.at(-1);
    if (last?.copy === copy && startS - last.untilS < LEFT_S) {
      last.ids.push(id);
      last.untilS = endS;
    } else turns.push({ atS: startS, untilS: endS, copy, ids: [id] });
  }
  return turns;
}

/** “1–3, 5”, or card by card “Kettle in the rain, Heron at low tide 1–3”. */
function copiesInWords(sheets: readonly Sheet[], copies: readonly number[]): string {
  const titles = [...new Set(copies.map((copy) => sheets[copy - 1].title))];
  return titles
    .map((title) => {
      const own = copies.map((copy) => sheets[copy - 1]).filter((sheet) => sheet.title === title);
      return [title, runs(own.flatMap(({ number }) => number ?? []))].filter(Boolean).join(' ');
    })
    .join(', ');
}

/** “1–3, 5”. */
function runs(copies: readonly number[]): string {
  const sorted = [...copies].sort((a, b) => a - b);
  const spans: [number, number][] = [];
  for (const copy of sorted) {
    const last = spans.at(-1);
    if (last && copy === last[1] + 1) last[1] = copy;
    else spans.push([copy, copy]);
  }
  return spans.map(([from, to]) => (from === to ? String(from) : `${from}–${to}`)).join(', ');
}

/** What a batch saves, in words. */
export function batchInShort(
  plans: readonly Plan[],
  { copies, endS, oneByOneS, leastS, breaks }: Batch,
): string {
  const rests = breaks.filter(({ added }) => added).length;
  const several = plans.length > 1;
  const each = several
    ? `${formatSpan(oneByOneS)} one after the other`
    : `${formatSpan(endS / copies)} a copy, ${formatSpan(oneByOneS / copies)} one by one`;
  const what = several
    ? plans.map((plan) => `${plan.title}${ofMany(cardsBegun(plan.brief))}`).join(' and ')
    : `${copies} ${copies === 1 ? 'copy' : 'copies'}`;
  if (copies === 1) return `1 copy in ${formatSpan(endS)}.`;
  const least = `no order could be done before ${formatSpan(leastS)}`;
  return `${what} in ${formatSpan(endS)}${rests > 0 ? `, with ${rests} ${rests === 1 ? 'rest' : 'rests'} put in` : ''}: ${each}; ${least}.`;
}

const ofMany = (copies: number): string => (copies === 1 ? '' : ` (${copies} copies)`);

/** How the order falls on the painter’s evenings, an evening a line. */
export function eveningsInWords(plans: readonly Plan[], { evenings, steps }: Batch): string[] {
  if (evenings === null) return ['Your evenings do not hold it, as far ahead as two years.'];
  const sheets = sheetsOf(plans);
  return evenings.map(({ day, from, to, takesS, overS }) => {
    const [first, last] = [steps[from], steps[to - 1]].map(({ id, copy }) => {
      return `“${said(sheets[copy - 1].plan, id)}” on ${sheetInWords(sheets[copy - 1])}`;
    });
    const over =
      overS > 0 ? `; ${formatSpan(overS)} longer than the evening, since nothing can be left wet` : '';
    return `${shortDay(day)}, ${formatSpan(takesS)}: from ${first} to ${last}${over}.`;
  });
}
