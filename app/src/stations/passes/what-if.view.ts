import { deltaE00 } from '@kettle/core/kit/colour';
import { PAPERS } from '@kettle/core/materials/paper';
import { applyCommands, colourAt, techniqueOf, type Command, type Plan } from '@kettle/core/document/plan';
import { driedWarm } from '@kettle/core/order/schedule';
import { formatSpan } from '@kettle/core/kit/units';
import type { LookAhead } from '../../workers/table-api';

/** Something that might be otherwise, and what of the plan it would change. */
export interface WhatIf {
  readonly id: string;
  readonly name: string;
  readonly commands: (plan: Plan) => Command[];
}

const air = (id: string, name: string, tempC: number, rh: number): WhatIf => ({
  id,
  name,
  commands: () => [{ do: 'set-climate', change: { tempC, rh } }],
});

/** The air, the water, warm air, another paper. */
export const whatIfs = (plan: Plan): WhatIf[] => [
  air('muggy', 'on a muggy day', 22, 0.8),
  air('heated', 'in a heated room', 22, 0.35),
  air('cold', 'in a cold room', 12, 0.6),
  { id: 'drier', name: 'with half the water', commands: (of) => watered(of, 0.5) },
  { id: 'wetter', name: 'with half as much water again', commands: (of) => watered(of, 1.5) },
  { id: 'warm', name: 'with every wash dried warm', commands: driedWarm },
  ...PAPERS.filter(({ id }) => id !== plan.paper).map((paper): WhatIf => ({
    id: paper.id,
    name: `on ${paper.name}`,
    commands: () => [{ do: 'choose-paper', paper }],
  })),
];

const watered = (plan: Plan, times: number): Command[] =>
  plan.acts.flatMap((act): Command[] =>
    act.kind === 'pass' && techniqueOf(act.technique).wets !== false
      ? [{ do: 'change-pass', pass: act.id, change: { filmUm: act.filmUm * times } }]
      : [],
  );

/** The plan as it would be. */
export const planIf = (plan: Plan, whatIf: WhatIf): Plan => applyCommands(plan, whatIf.commands(plan)).plan;

/** One thing told of both plans. */
export interface Compared {
  readonly what: string;
  readonly now: string;
  readonly then: string;
}

/** Two plans side by side: in time, in what may go wrong, in what is seen at the end. */
export function compare(now: LookAhead, then: LookAhead): Compared[] {
  const both = (what: string, of: (ahead: LookAhead) => string): Compared => ({
    what,
    now: of(now),
    then: of(then),
  });
  const severities = [
    ['Stops', 'stop'],
    ['Worth a look', 'look'],
  ] as const;
  return [
    both('Painted and dry after', ({ timeline }) => formatSpan(dryS(timeline))),
    both('Waiting, with nothing to do', ({ timeline }) => formatSpan(idleS(timeline))),
    both('Hands on it', ({ timeline }) => formatSpan(handsS(timeline))),
    ...severities.map(([what, severity]) =>
      both(what, ({ findings }) => String(findings.filter((found) => found.severity === severity).length)),
    ),
    { what: 'Colours differ by', now: '', then: `${mostApart(now.plan, then.plan).toFixed(1)} ΔE at most` },
  ];
}

const dryS = ({ washes, steps }: LookAhead['timeline']): number =>
  Math.max(
    0,
    ...washes.map(({ untilS }) => untilS),
    ...steps.filter(({ act }) => act.kind === 'pass').map(({ endS }) => endS),
  );

const painting = ({ steps }: LookAhead['timeline']) =>
  steps.slice(0, steps.findLastIndex(({ act }) => act.kind === 'pass') + 1);

const idleS = (timeline: LookAhead['timeline']): number =>
  painting(timeline).reduce((sum, { startS, waited }) => sum + (waited ? startS - waited.fromS : 0), 0);

const handsS = (timeline: LookAhead['timeline']): number =>
  painting(timeline).reduce((sum, { startS, endS }) => sum + endS - startS, 0);

/** How far the same areas lie apart in colour when both plans are dry, ΔE00. */
const mostApart = (one: Plan, other: Plan): number =>
  Math.max(
    0,
    ...one.areas.map(({ id }) =>
      deltaE00(colourAt(one, id, one.acts.length), colourAt(other, id, other.acts.length)),
    ),
  );

/** What is found in the one plan and not in the other, in words. */
export const onlyThen = (now: LookAhead, then: LookAhead): string[] => {
  const known = new Set(now.findings.map(({ key }) => key));
  return then.findings
    .filter(({ key, severity }) => severity !== 'note' && !known.has(key))
    .map(({ why }) => why);
};
