import * as z from 'zod';
import { cardFormatSchema, cropSchema, frameSchema, sheetsSchema } from '../card';
import { climateSchema } from '../climate';
import { guideSchema } from '../guides';
import { lampSchema } from '../lamp';
import { wordsSchema } from '../lettering';
import { maskStrokeSchema, resistSchema } from '../masking';
import { briefSchema } from '../occasion';
import { paperSchema } from '../paper';
import { pictureSchema } from '../photo';
import { pigmentSchema } from '../pigment';
import { areaSchema, pencilLineSchema } from '../sketch';
import { changeOf, id } from '../units';
import { MOST_IN_A_LIST } from './limits';
import { actSchema, choreActSchema, passSchema, type Act } from './act';
import { mask, maskTimes, unmask } from './mask-acts';
import {
  plannedMixSchema,
  rulesSchema,
  shiftS,
  sittingEventSchema,
  STATIONS,
  tableSchema,
  whiteSchema,
  type Plan,
} from './plan';
import { handActSchema, trialSchema, type Trial } from './trial';
import { variantSchema } from './variant';
import { dropUnused, embed, mixedFrom } from './embedded';
import { changeIn, putIn, without } from './entries';
import { keepVariants, makeRoom } from './kinds';
import { dropKeeping, planKeeping, UNSAID } from './white-acts';

/**
 * Everything that can be done to a plan, as plain data. A command changes a draft in place; the store
 * turns that into patches for undo, journal and workers.
 */
export const commandSchema = z.discriminatedUnion('do', [
  z.strictObject({ do: z.literal('rename'), title: z.string().min(1).max(80) }),
  z.strictObject({ do: z.literal('set-brief'), change: changeOf(briefSchema) }),
  z.strictObject({ do: z.literal('set-format'), change: changeOf(cardFormatSchema) }),
  z.strictObject({ do: z.literal('paint-larger'), painting: cropSchema.shape.painting }),
  z.strictObject({ do: z.literal('paint-to-size') }),
  z.strictObject({ do: z.literal('lay-frame'), frame: frameSchema }),
  z.strictObject({ do: z.literal('take-frame'), frame: id }),
  z.strictObject({ do: z.literal('choose-frame'), frame: id.nullable() }),
  z.strictObject({ do: z.literal('set-sheets'), change: changeOf(sheetsSchema) }),
  z.strictObject({ do: z.literal('set-rules'), change: changeOf(rulesSchema) }),
  z.strictObject({ do: z.literal('set-climate'), change: changeOf(climateSchema) }),
  z.strictObject({ do: z.literal('choose-paper'), paper: paperSchema }),
  z.strictObject({ do: z.literal('lay-picture'), picture: pictureSchema }),
  z.strictObject({ do: z.literal('take-picture'), picture: id }),
  z.strictObject({ do: z.literal('add-line'), line: pencilLineSchema }),
  z.strictObject({ do: z.literal('rub-out-line'), line: id }),
  z.strictObject({
    do: z.literal('redraw-lines'),
    gone: z.array(id).max(20_000),
    lines: z.array(pencilLineSchema).max(20_000),
  }),
  z.strictObject({ do: z.literal('lay-guide'), guide: guideSchema }),
  z.strictObject({ do: z.literal('take-guide'), guide: id }),
  z.strictObject({ do: z.literal('set-lamp'), lamp: lampSchema.nullable() }),
  z.strictObject({ do: z.literal('see-as'), area: id, form: areaSchema.shape.form.unwrap().nullable() }),
  z.strictObject({ do: z.literal('open'), area: id, opening: z.boolean() }),
  z.strictObject({ do: z.literal('letter'), words: wordsSchema }),
  z.strictObject({ do: z.literal('rub-out-words'), words: id }),
  z.strictObject({ do: z.literal('add-area'), area: areaSchema }),
  z.strictObject({ do: z.literal('rename-area'), area: id, name: areaSchema.shape.name }),
  z.strictObject({ do: z.literal('reshape-area'), area: id, outline: areaSchema.shape.outline }),
  z.strictObject({ do: z.literal('remove-area'), area: id }),
  z.strictObject({ do: z.literal('keep-white'), white: whiteSchema }),
  z.strictObject({ do: z.literal('give-up-white'), white: id }),
  z.strictObject({ do: z.literal('mask-when'), masked: id, on: id.nullable(), off: id.nullable() }),
  z.strictObject({ do: z.literal('put-resist'), resist: resistSchema }),
  z.strictObject({
    ...{ do: z.literal('mask-stroke'), stroke: maskStrokeSchema },
    /** A mask that is not there yet is begun with the stroke. */
    resist: resistSchema.pick({ id: true, name: true, tool: true }),
  }),
  z.strictObject({
    ...{ do: z.literal('lift-mask'), resist: id, strokes: z.array(id).max(20_000) },
    drops: z.array(z.int().min(0)).max(50_000),
  }),
  z.strictObject({ do: z.literal('remove-resist'), resist: id }),
  z.strictObject({
    do: z.literal('put-mix'),
    mix: plannedMixSchema,
    pigments: z.array(pigmentSchema).max(40),
  }),
  z.strictObject({ do: z.literal('remove-mix'), mix: id }),
  z.strictObject({
    do: z.literal('set-out'),
    palette: z.array(z.string()).max(40),
    pigments: z.array(pigmentSchema).max(40),
  }),
  z.strictObject({ do: z.literal('add-act'), act: actSchema, before: id.nullable() }),
  z.strictObject({
    do: z.literal('change-pass'),
    pass: id,
    change: changeOf(passSchema.omit({ kind: true, id: true })),
  }),
  z.strictObject({ do: z.literal('change-chore'), chore: id, change: choreActSchema.pick({ handsS: true }) }),
  z.strictObject({ do: z.literal('move-act'), act: id, to: z.int().min(0) }),
  z.strictObject({ do: z.literal('remove-act'), act: id }),
  z.strictObject({ do: z.literal('order-acts'), order: z.array(id).max(MOST_IN_A_LIST) }),
  z.strictObject({ do: z.literal('set-table'), change: changeOf(tableSchema) }),
  z.strictObject({ do: z.literal('vary'), variant: variantSchema }),
  z.strictObject({ do: z.literal('take-variant'), variant: id }),
  z.strictObject({ do: z.literal('lay-sheet'), trial: trialSchema }),
  z.strictObject({ do: z.literal('paint'), trial: id, acts: z.array(handActSchema).min(1).max(5000) }),
  z.strictObject({
    ...{ do: z.literal('change-sheet'), trial: id },
    change: changeOf(trialSchema.pick({ name: true, note: true, pigments: true })),
  }),
  z.strictObject({ do: z.literal('take-sheet'), trial: id }),
  z.strictObject({ do: z.literal('mark-not-needed'), station: z.enum(STATIONS), notNeeded: z.boolean() }),
  z.strictObject({ do: z.literal('accept-finding'), finding: z.string(), reason: z.string().max(200) }),
  z.strictObject({ do: z.literal('sit-down'), at: sittingEventSchema.shape.at }),
  z.strictObject({ do: z.literal('note-event'), event: sittingEventSchema }),
  /** What was noted from a moment on happened so much later or earlier: the clock it was read from was wrong. */
  z.strictObject({ do: z.literal('shift-events'), from: sittingEventSchema.shape.at, byS: shiftS }),
  z.strictObject({ do: z.literal('end-sitting') }),
]);
export type Command = z.infer<typeof commandSchema>;

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
  'add-area': (plan, { area }) => void plan.areas.push(area),
  'rename-area': (plan, { area, name }) => changeIn(plan.areas, area, { name }),
  'reshape-area': (plan, { area, outline }) => changeIn(plan.areas, area, { outline }),
  'remove-area': (plan, { area }) => {
    plan.areas = without(plan.areas, area);
    for (const other of plan.areas.filter(({ shadowOf }) => shadowOf === area))
      changeIn(plan.areas, other.id, { shadowOf: undefined });
    plan.whites = plan.whites.filter((white) => white.area !== area);
    dropKeeping(plan, area);
    for (const act of plan.acts) {
      act.areas = act.areas.filter((a) => a !== area);
      if (act.kind === 'pass') act.shields = act.shields.filter((shield) => shield.area !== area);
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
  'order-acts': (plan, { order }) => {
    const turn = new Map(order.map((act, i) => [act, i]));
    const turnOf = ({ id }: Act): number => turn.get(id) ?? order.length;
    plan.acts.sort((a, b) => turnOf(a) - turnOf(b));
  },
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
}
