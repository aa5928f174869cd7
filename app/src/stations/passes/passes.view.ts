import type { Finding } from '@kettle/core/advice/checks';
import {
  asParts,
  partName,
  techniqueOf,
  waterWord,
  type Act,
  type Pass,
  type Plan,
} from '@kettle/core/document/plan';
import { stageAt } from '@kettle/core/order/schedule';
import { formatClock, formatSpan } from '@kettle/core/kit/units';
import { STAGE_WORDS } from '@kettle/core/simulation/water';
import { actInWords, mixesInWords, toMind } from '../../ui/act-words';
import type { Rehearsal } from '../../state/rehearsal.service';
import type { KeptMoment } from '../../workers/simulation-api';
import type { LookAhead } from '../../workers/table-api';
import { mixLooks } from '../colours/colours.view';

/** One act as a written note. */
export interface PassNote {
  readonly act: Act;
  readonly number: number;
  readonly title: string;
  readonly hands: string;
  /** Wet and dry colour of its mix. */
  readonly swatch: { readonly wet: string; readonly dry: string } | null;
  readonly how: string;
  readonly when: string;
  readonly after: string;
  /** What else is to be minded. */
  readonly mind: readonly string[];
  readonly findings: readonly Finding[];
}

/** Every act of painting and of masking as a note; finishing has its own station. */
export function passNotes(plan: Plan, ahead: LookAhead | null): PassNote[] {
  const looks = new Map(mixLooks(plan).map((look) => [look.mix.id, look]));
  return plan.acts.flatMap((act, i) => {
    if (act.kind === 'chore' && act.chore !== 'mask-on' && act.chore !== 'mask-off') return [];
    const step = ahead?.timeline.steps.find((s) => s.act.id === act.id);
    const look = act.kind === 'pass' && act.mix !== null ? looks.get(act.mix) : undefined;
    return [
      {
        act,
        number: i + 1,
        title: actInWords(plan, act),
        hands: step ? formatSpan(step.endS - step.startS) : '',
        swatch: look ? { wet: look.wet, dry: look.dry } : null,
        how:
          act.kind === 'pass'
            ? [mixesInWords(plan, act), waterWord(act.filmUm), spread(act)].filter(Boolean).join(' · ')
            : '',
        when: step
          ? `at ${formatClock(step.startS)}${step.waited?.area ? `, waiting for the ${partName(plan, step.waited.area)}` : ''}`
          : ahead
            ? 'never: what it waits for does not dry in this air'
            : '',
        after: afterwards(act, ahead),
        mind: toMind(plan, act),
        findings: ahead?.findings.filter((f) => f.where.pass === act.id) ?? [],
      },
    ];
  });
}

/** What was found that belongs to no note and no other station. */
export function findingsOfWhole(notes: readonly PassNote[], ahead: LookAhead | null): Finding[] {
  const told = new Set(notes.flatMap(({ findings }) => findings.map(({ key }) => key)));
  return (ahead?.findings ?? []).filter(({ station, key }) => !told.has(key) && station === 'passes');
}

/** How much of its areas a pass covers, where that is not all. */
const spread = ({ covers }: Pass): string => (covers < 1 ? `over ${Math.round(100 * covers)} % of it` : '');

function afterwards(act: Act, ahead: LookAhead | null): string {
  if (act.kind !== 'pass' || !ahead) return '';
  const wash = ahead.timeline.washes.find((w) => w.act === act.id);
  const creep = ahead.creepMm.get(act.id) ?? 0;
  const dryS = wash?.course.stages.coolEndS;
  const dry = wash
    ? dryS === null || dryS === undefined
      ? 'never dries in this air'
      : `dry ${formatSpan(dryS)} later`
    : '';
  return [dry, creep > 0 ? `damp creeps ${creep.toFixed(1)} mm` : ''].filter(Boolean).join(' · ');
}

/** The moment under the cursor: how each area stands, in words. */
export function momentInWords(plan: Plan, ahead: LookAhead, atS: number): string {
  const states = plan.areas.flatMap(({ id }): { id: string; state: string }[] => {
    const masked = ahead.timeline.masks.some(
      (m) => m.area === id && m.onS <= atS && atS < (m.offS ?? Infinity),
    );
    if (masked) return [{ id, state: 'under mask' }];
    // What only lies under another's wash has nothing to tell of its own.
    if (!plan.acts.some((act) => act.kind === 'pass' && act.areas.includes(id))) return [];
    const wash = ahead.timeline.washes.findLast((w) => w.area === id && w.laidS <= atS);
    return wash ? [{ id, state: STAGE_WORDS[stageAt(wash, atS)] }] : [];
  });
  // Parts of a thing that are alike are told of once.
  const words = [...new Set(states.map(({ state }) => state))].flatMap((state) =>
    asParts(
      plan,
      states.filter((one) => one.state === state).map(({ id }) => id),
    ).map(({ name }) => `${name} ${state}`),
  );
  return words.length === 0 ? 'nothing laid yet' : words.join(' · ');
}

/** Sum of work and waiting, in words. */
export function passesInShort(notes: readonly PassNote[], ahead: LookAhead | null): string {
  if (!ahead) return 'working it out…';
  const steps = ahead.timeline.steps.filter(({ act }) => notes.some((note) => note.act.id === act.id));
  const hands = steps.reduce((sum, s) => sum + s.endS - s.startS, 0);
  const idle = steps.reduce((sum, s) => sum + (s.waited ? s.startS - s.waited.fromS : 0), 0);
  return `${notes.length} acts · ${formatSpan(hands)} in hand · ${formatSpan(idle)} waiting`;
}

/** Advice of a technique, for the note that is open. */
export const adviceOf = (act: Act): string => (act.kind === 'pass' ? techniqueOf(act.technique).advice : '');

/** The simulated moment to show at a time: the last one reached by then; before the first wash there is none. */
export const shownMoment = (rehearsal: Rehearsal | null, atS: number): KeptMoment | null =>
  rehearsal?.moments.findLast((moment) => moment.atS <= atS + MOMENT_ROUNDS_S) ?? null;

/** The cursor stands on whole seconds. */
const MOMENT_ROUNDS_S = 1;

/** How far the simulation is, and which moment of it is shown. */
export function rehearsalInWords(rehearsal: Rehearsal | null, shown: KeptMoment | null): string {
  const at = shown ? `simulated, as at ${formatClock(shown.atS)}` : 'bare paper';
  if (!rehearsal) return 'getting ready';
  return rehearsal.progress === null
    ? at
    : `${at} · painting ahead, ${Math.round(100 * rehearsal.progress)} %`;
}
