import { freeId, mask, maskTimes, unmask } from './mask-acts';
import { type Plan } from './plan';
import { gather, keepThings, singleOut } from './parts';
import { type Trial } from './trial';
import { dropUnused, embed, mixedFrom } from './embedded';
import { changeIn, byTurn, putIn, without } from './entries';
import { keepVariants, makeRoom } from './painted-variants';
import { dropKeeping, planKeeping, UNSAID } from './white-acts';
import type { Command } from './command';

function takeResist(plan: Plan, resist: string): void {
  plan.resists = without(plan.resists, resist);
  unmask(plan, resist);
}

const later = (at: string, byS: number): string => new Date(Date.parse(at) + 1000 * byS).toISOString();

type Run<D extends Command['do']> = (plan: Plan, command: Extract<Command, { do: D }>) => void;

/** One short rule for each command. Each takes the plan as a draft it may change. */
const RUNS: { [D in Command['do']]: Run<D> } = {
  rename: (plan, { title }) => void (plan.title = title),
  'set-brief': (plan, { change }) => void Object.assign(plan.brief, change),
  'set-format': (plan, { change }) => {
    Object.assign(plan.card, change);
    const chosen = plan.crop?.frames.find(({ id }) => id === plan.crop?.chosen);
    if (chosen) Object.assign(chosen, { envelope: plan.card.envelope, stands: plan.card.stands });
  },
  'paint-larger': (plan, { painting }) =>
    void (plan.crop = { ...(plan.crop ?? { frames: [], chosen: null }), painting }),
  'paint-to-size': (plan) => void (plan.crop = null),
  'lay-frame': ({ crop, card }, { frame }) => {
    if (!crop) return;
    putIn(crop.frames, frame);
    if (crop.chosen === frame.id) Object.assign(card, { envelope: frame.envelope, stands: frame.stands });
  },
  'take-frame': ({ crop }, { frame }) => {
    if (!crop) return;
    crop.frames = without(crop.frames, frame);
    if (crop.chosen === frame) crop.chosen = null;
  },
  'choose-frame': ({ crop, card }, { frame }) => {
    if (!crop) return;
    const chosen = crop.frames.find(({ id }) => id === frame);
    crop.chosen = chosen?.id ?? null;
    if (chosen) Object.assign(card, { envelope: chosen.envelope, stands: chosen.stands });
  },
  'set-sheets': (plan, { change }) => void Object.assign(plan.sheets, change),
  'set-rules': (plan, { change }) => void Object.assign(plan.rules, change),
  'set-climate': (plan, { change }) => void Object.assign(plan.climate, change),
  'choose-paper': (plan, { paper }) => {
    plan.paper = paper.id;
    plan.embedded.papers = [paper, ...plan.embedded.papers.filter(({ id }) => id !== paper.id)];
    dropUnused(plan);
  },
  'lay-picture': (plan, { picture }) => putIn(plan.pictures, picture),
  'take-picture': (plan, { picture }) => void (plan.pictures = without(plan.pictures, picture)),
  'add-line': (plan, { line }) => void plan.lines.push(line),
  'rub-out-line': (plan, { line }) => void (plan.lines = without(plan.lines, line)),
  'redraw-lines': (plan, { gone, lines }) => {
    const drawn = new Map(plan.lines.map((line, at) => [line.id, at]));
    for (const line of lines) {
      const at = drawn.get(line.id);
      if (at === undefined) plan.lines.push(line);
      else plan.lines[at] = line;
    }
    if (gone.length > 0) plan.lines = plan.lines.filter((line) => !gone.includes(line.id));
  },
  'lay-guide': (plan, { guide }) => putIn(plan.guides, guide),
  'take-guide': (plan, { guide }) => void (plan.guides = without(plan.guides, guide)),
  'set-lamp': (plan, { lamp }) => void (plan.lamp = lamp),
  'see-as': (plan, { area, form }) => changeIn(plan.areas, area, { form: form ?? undefined }),
  open: (plan, { area, opening }) => changeIn(plan.areas, area, { opening: opening || undefined }),
  letter: (plan, { words }) => putIn(plan.words, words),
  'rub-out-words': (plan, { words }) => void (plan.words = without(plan.words, words)),
  'add-area': (plan, { area, under }) => {
    const at = plan.areas.findIndex(({ id }) => id === under);
    plan.areas.splice(at < 0 ? plan.areas.length : at, 0, area);
  },
  restack: (plan, { order }) => void (plan.areas = byTurn(plan.areas, order)),
  gather: (plan, { thing }) => gather(plan, thing),
  'single-out': (plan, { members }) => singleOut(plan, members),
  'rename-area': (plan, { area, name }) => {
    changeIn(plan.areas, area, { name });
    const alike = plan.areas.filter((other) => other.name === name).map(({ id }) => id);
    const thing = plan.things.find((known) => known.name === name);
    // Several areas of one name are one thing.
    if (alike.length > 1)
      gather(plan, {
        ...{ id: thing?.id ?? freeId(plan.things, `thing-${area}`), name },
        members: [...(thing?.members ?? []), ...alike],
      });
  },
  'reshape-area': (plan, { area, outline }) => changeIn(plan.areas, area, { outline }),
  'remove-area': (plan, { area }) => {
    plan.areas = without(plan.areas, area);
    for (const other of plan.areas.filter(({ shadowOf }) => shadowOf === area))
      changeIn(plan.areas, other.id, { shadowOf: undefined });
    plan.whites = plan.whites.filter((white) => white.area !== area);
    dropKeeping(plan, area);
    for (const act of plan.acts) {
      act.areas = act.areas.filter((a) => a !== area);
      if (act.kind !== 'pass') continue;
      act.shields = act.shields.filter((shield) => shield.area !== area);
      act.spares = act.spares?.filter((spared) => spared !== area) ?? null;
    }
    dropUnused(plan);
  },
  'keep-white': (plan, { white }) => {
    plan.whites = [...plan.whites.filter((w) => w.area !== white.area), white];
    planKeeping(plan, white);
    dropUnused(plan);
  },
  'give-up-white': (plan, { white }) => {
    const found = plan.whites.find((w) => w.id === white);
    if (!found) return;
    plan.whites = without(plan.whites, white);
    dropKeeping(plan, found.area);
    dropUnused(plan);
  },
  'mask-when': (plan, { masked, on, off }) => {
    if (!maskTimes(plan, masked)) return;
    unmask(plan, masked);
    mask(plan, masked, { on, off });
  },
  'put-resist': (plan, { resist }) => {
    const times = maskTimes(plan, resist.id);
    unmask(plan, resist.id);
    putIn(plan.resists, resist);
    mask(plan, resist.id, times ?? UNSAID);
  },
  'mask-stroke': (plan, { resist, stroke }) => {
    const found = plan.resists.find(({ id }) => id === resist.id);
    // Pushed, not put anew: of many strokes only the new one is then a change.
    if (found) found.strokes.push(stroke);
    else {
      plan.resists.push({ ...resist, strokes: [stroke], drops: [] });
      mask(plan, resist.id, UNSAID);
    }
  },
  'lift-mask': (plan, { resist, strokes, drops }) => {
    const found = plan.resists.find(({ id }) => id === resist);
    if (!found) return;
    const [gone, goneDrops] = [new Set(strokes), new Set(drops)];
    changeIn(plan.resists, resist, {
      strokes: found.strokes.filter(({ id }) => !gone.has(id)),
      drops: found.drops.filter((_, i) => !goneDrops.has(i)),
    });
  },
  'remove-resist': (plan, { resist }) => takeResist(plan, resist),
  'put-mix': (plan, { mix, pigments }) => {
    putIn(plan.mixes, mix);
    embed(plan, pigments);
    const out = mix.parts.map(({ pigment }) => pigment).filter((code) => !plan.palette.includes(code));
    plan.palette.push(...out);
    dropUnused(plan);
  },
  'set-out': (plan, { palette, pigments }) => {
    embed(plan, pigments);
    // What is mixed from cannot be taken off the dish.
    plan.palette = [...new Set([...palette, ...mixedFrom(plan)])];
    dropUnused(plan);
  },
  'remove-mix': (plan, { mix }) => {
    plan.mixes = without(plan.mixes, mix);
    for (const act of plan.acts) {
      if (act.kind !== 'pass') continue;
      // What was laid beside it is then the pass's own.
      act.also = act.also.filter((other) => other.mix !== mix);
      if (act.mix === mix) act.mix = act.also.shift()?.mix ?? null;
    }
    dropUnused(plan);
  },
  'add-act': (plan, { act, before }) => {
    const at = before === null ? -1 : plan.acts.findIndex((a) => a.id === before);
    plan.acts.splice(at < 0 ? plan.acts.length : at, 0, act);
  },
  'change-pass': (plan, { pass, change }) => {
    if (plan.acts.some((act) => act.id === pass && act.kind === 'pass')) changeIn(plan.acts, pass, change);
  },
  'change-chore': (plan, { chore, change }) => {
    if (plan.acts.some((act) => act.id === chore && act.kind === 'chore')) changeIn(plan.acts, chore, change);
  },
  'move-act': (plan, { act, to }) => {
    const from = plan.acts.findIndex((a) => a.id === act);
    if (from < 0) return;
    const [moved] = plan.acts.splice(from, 1);
    plan.acts.splice(to, 0, moved);
  },
  'order-acts': (plan, { order }) => void (plan.acts = byTurn(plan.acts, order)),
  'remove-act': (plan, { act }) => void (plan.acts = without(plan.acts, act)),
  'set-table': (plan, { change }) => void Object.assign(plan.table, change),
  vary: (plan, { variant }) => {
    putIn(plan.variants, variant);
    makeRoom(plan);
  },
  'take-variant': (plan, { variant }) => void (plan.variants = without(plan.variants, variant)),
  'lay-sheet': (plan, { trial }) => putIn(plan.trials, trial),
  paint: (plan, { trial, acts }) => {
    // Pushed, not put anew: of many acts only the new ones are then a change.
    plan.trials.find(({ id }) => id === trial)?.acts.push(...acts);
  },
  'change-sheet': (plan, { trial, change }) => changeIn<Trial>(plan.trials, trial, change),
  'take-sheet': (plan, { trial }) => {
    plan.trials = without(plan.trials, trial);
    dropUnused(plan);
  },
  'mark-not-needed': (plan, { station, notNeeded }) => {
    plan.notNeeded = plan.notNeeded.filter((s) => s !== station);
    if (notNeeded) plan.notNeeded.push(station);
  },
  'accept-finding': (plan, { finding, reason }) => void plan.accepted.push({ finding, reason }),
  'sit-down': (plan, { at }) => void (plan.sitting = { startedAt: at, events: [] }),
  'note-event': (plan, { event }) => void plan.sitting?.events.push(event),
  'shift-events': ({ sitting }, { from, byS }) => {
    for (const event of sitting?.events ?? []) if (event.at >= from) event.at = later(event.at, byS);
  },
  'end-sitting': (plan) => void (plan.sitting = null),
};

/** Carries a command out on a draft of the plan. */
export function runCommand(plan: Plan, command: Command): void {
  // The table pairs each name with its own command; the compiler cannot follow that through a union.
  (RUNS[command.do] as (plan: Plan, command: Command) => void)(plan, command);
  keepVariants(plan);
  keepThings(plan);
}
