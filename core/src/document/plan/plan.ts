import * as z from 'zod';
import { cardFormatSchema, cropSchema, sheetsSchema } from '../../commission/card';
import { climateSchema } from '../../materials/climate';
import { labSchema } from '../../kit/colour';
import { guideSchema } from '../../drawing/guides';
import { lampSchema } from '../../drawing/lamp';
import { wordsSchema } from '../../drawing/lettering';
import { MASKING_TOOL_IDS, resistSchema } from '../../drawing/masking';
import { briefSchema, cardsBegun } from '../../commission/occasion';
import { paperSchema } from '../../materials/paper';
import { pictureSchema } from '../../drawing/photo';
import { MEDIUM_IDS, pigmentSchema } from '../../materials/pigment';
import { areaSchema, pencilLineSchema } from '../../drawing/sketch';
import { code, id, isoMoment } from '../../kit/units';
import { actSchema } from './act';
import { MOST_IN_A_LIST, MOST_OF, MOST_PIGMENTS, TOO_MUCH_IN } from './limits';
import { thingSchema } from './thing';
import { pigmentsIn, trialSchema } from './trial';
import { MOST_VARIANTS, otherwise, variantSchema } from './variant';

/** A name of an area or a mix has at most so many signs. */
export const LONGEST_NAME = 60;

/** Pigments in whole parts of paint, and how strong; strength 1 is from the tube, 0.1 nine of water to one of paint. */
export const plannedMixSchema = z.strictObject({
  id,
  name: z.string().min(1).max(LONGEST_NAME),
  parts: z
    .array(z.strictObject({ pigment: code, parts: z.int().min(1).max(20) }))
    .min(1)
    .max(6),
  strength: z.number().min(0.001).max(1),
  /** The dry colour the painter is after, if said. */
  wanted: labSchema.nullable(),
  medium: z.enum(MEDIUM_IDS),
  /** The well of the dish it lies in, counted from 1. */
  well: z.int().min(1).max(60).nullable(),
  /** How much of it the painter has mixed, ml. */
  mixedMl: z.number().min(0.001).max(1000).nullable(),
});
export type PlannedMix = z.infer<typeof plannedMixSchema>;

/** The ways a part is kept light, or made so again. */
export const WAYS = ['mask', 'paint-round', 'lift', 'opaque', 'bare', 'permanent-line'] as const;

/** How a part is kept light, or the colour it has, while the rest is painted. */
export const whiteSchema = z.strictObject({
  id,
  area: id,
  way: z.enum(WAYS),
  /** What a mask is laid with; `null` for the tool that suits best. */
  tool: z.enum(MASKING_TOOL_IDS).nullable(),
  /** The colour to be kept; `null` for what lies there, mostly the paper’s white. */
  wanted: labSchema.nullable(),
  /** Whether it is to end sharply or to fade into what is round it. */
  edge: z.enum(['hard', 'soft']),
});
export type White = z.infer<typeof whiteSchema>;

/** How much a finding matters: it stops the work, is worth a look, is a note, or is not looked for. */
export const WEIGHTS = ['stop', 'look', 'note', 'off'] as const;

/** The choices of the house a card inherits. */
export const rulesSchema = z.strictObject({
  /** Areas nearer than this touch, mm. */
  bleedGapMm: z.number().min(0).max(20),
  /** Colours of touching areas may run together. */
  letColoursRun: z.boolean(),
  /** How whites are kept where more than one way would do. */
  whites: z.enum(['mask', 'paint-round', 'opaque']),
  /** What rubs a mask off. */
  removal: z.enum(['finger', 'rubber']),
  /** Whether a bloom is a fault or a find. */
  backruns: z.enum(['avoided', 'welcome']),
  /** Checks that matter more or less in this house, or not at all, by their id. */
  weights: z.record(code, z.enum(WEIGHTS)),
});

/** How many are painted at once: boards on the table, and pairs of hands. */
export const tableSchema = z.strictObject({
  boards: z.int().min(1).max(40),
  hands: z.int().min(1).max(2),
});

/** What really happened at the table, in order; clocks are worked out from it and never stored. */
export const sittingEventSchema = z.strictObject({
  at: isoMoment,
  kind: z.enum(['done', 'still-wet', 'dry-now']),
  act: id.optional(),
  area: id.optional(),
});
export type SittingEvent = z.infer<typeof sittingEventSchema>;

/** No clock is put right by more than a year, s. */
const MOST_SHIFT_S = 366 * 86_400;
/** By how much what was noted happened later or earlier, s. */
export const shiftS = z.number().min(-MOST_SHIFT_S).max(MOST_SHIFT_S);

export const sittingSchema = z.strictObject({
  startedAt: isoMoment,
  events: z.array(sittingEventSchema).max(20_000),
});
export type Sitting = z.infer<typeof sittingSchema>;

export const STATIONS = [
  'brief',
  'paper',
  'sketch',
  'whites',
  'colours',
  'passes',
  'sitting',
  'finish',
] as const;
export type Station = (typeof STATIONS)[number];

/** The shape of one card's plan; it stands alone, with frozen copies of all it uses. */
const planShape = z.strictObject({
  format: z.literal('kettle-plan'),
  version: z.literal(10),
  id,
  title: z.string().min(1).max(80),
  brief: briefSchema,
  climate: climateSchema,
  card: cardFormatSchema,
  /** A painting larger than its card, cropped when it is done; `null` for a panel of the card’s own size. */
  crop: cropSchema.nullable(),
  paper: id,
  /** What its pieces are cut from. */
  sheets: sheetsSchema,
  rules: rulesSchema,
  /** Pictures that lie on the panel. */
  pictures: z.array(pictureSchema).max(MOST_OF.pictures),
  lines: z.array(pencilLineSchema).max(MOST_OF.lines),
  words: z.array(wordsSchema).max(MOST_OF.words),
  guides: z.array(guideSchema).max(MOST_OF.guides),
  /** Where the light comes from; `null` where nobody has said. */
  lamp: lampSchema.nullable(),
  areas: z.array(areaSchema).max(MOST_OF.areas),
  /** What of it belongs together. */
  things: z.array(thingSchema).max(MOST_OF.things),
  whites: z.array(whiteSchema).max(MOST_OF.whites),
  /** What is masked freehand. */
  resists: z.array(resistSchema).max(MOST_OF.resists),
  /** Pigments set out on the dish, by code, mixed from or not. */
  palette: z.array(code).max(MOST_PIGMENTS),
  mixes: z.array(plannedMixSchema).max(MOST_OF.mixes),
  acts: z.array(actSchema).max(MOST_OF.acts),
  table: tableSchema,
  /** Copies that are painted otherwise. */
  variants: z.array(variantSchema).max(MOST_VARIANTS),
  /** Sheets painted by hand to try something. */
  trials: z.array(trialSchema).max(MOST_OF.trials),
  sitting: sittingSchema.nullable(),
  accepted: z.array(z.strictObject({ finding: z.string().max(400), reason: z.string().max(200) })).max(2000),
  notNeeded: z.array(z.enum(STATIONS)).max(STATIONS.length),
  embedded: z.strictObject({
    papers: z.array(paperSchema).max(MOST_IN_A_LIST),
    pigments: z.array(pigmentSchema).max(MOST_IN_A_LIST),
  }),
});

/** A whole plan, every reference in it checked to lead somewhere. In one piece: a list of what must lead where. */
export const planSchema = planShape.superRefine((plan, context) => {
  const known = (list: readonly { id: string }[]): Set<string> => new Set(list.map((entry) => entry.id));
  const areas = known(plan.areas);
  const resists = known(plan.resists);
  const mixes = known(plan.mixes);
  const pigments = new Set(plan.embedded.pigments.map((p) => p.code));
  const refuse = (path: (string | number)[], message: string): void => {
    context.addIssue({ code: 'custom', path, message });
  };
  for (const list of ['areas', 'lines', 'resists'] as const) {
    const tooMuch = TOO_MUCH_IN[list](plan);
    if (tooMuch !== null) refuse([list], tooMuch);
  }
  if (!known(plan.embedded.papers).has(plan.paper))
    refuse(['paper'], `“${plan.paper}” is not among the embedded papers`);
  plan.whites.forEach(({ area }, i) => {
    if (!areas.has(area)) refuse(['whites', i, 'area'], `no area “${area}”`);
  });
  plan.resists.forEach(({ id }, i) => {
    if (areas.has(id)) refuse(['resists', i, 'id'], `is the id of an area too`);
  });
  const belonging = new Map<string, string>();
  const drawn = new Set([...areas, ...resists, ...known(plan.lines)]);
  plan.things.forEach(({ id, members }, i) =>
    members.forEach((member, j) => {
      const path = ['things', i, 'members', j];
      if (!drawn.has(member)) refuse(path, `nothing is drawn by the name of “${member}”`);
      const other = belonging.get(member);
      if (other !== undefined) refuse(path, `belongs to “${other}” too`);
      belonging.set(member, id);
    }),
  );
  plan.palette.forEach((code, i) => {
    if (!pigments.has(code)) refuse(['palette', i], `“${code}” is not among the embedded pigments`);
  });
  plan.mixes.forEach(({ parts }, i) =>
    parts.forEach(({ pigment }, j) => {
      if (!pigments.has(pigment))
        refuse(['mixes', i, 'parts', j, 'pigment'], `“${pigment}” is not among the embedded pigments`);
    }),
  );
  plan.acts.forEach((act, i) => {
    act.areas.forEach((area, j) => {
      const there = areas.has(area) || (act.kind === 'chore' && resists.has(area));
      if (!there) refuse(['acts', i, 'areas', j], `no area “${area}”`);
    });
    if (act.kind !== 'pass') return;
    if (act.mix !== null && !mixes.has(act.mix)) refuse(['acts', i, 'mix'], `no mix “${act.mix}”`);
    if (act.mix === null && act.also.length > 0)
      refuse(['acts', i, 'also'], 'clear water is laid alone; lay the colour in a pass of its own');
    act.also.forEach(({ mix }, j) => {
      if (!mixes.has(mix)) refuse(['acts', i, 'also', j, 'mix'], `no mix “${mix}”`);
    });
    act.spares?.forEach((area, j) => {
      if (!areas.has(area)) refuse(['acts', i, 'spares', j], `no area “${area}”`);
    });
    act.shields.forEach(({ area }, j) => {
      if (!areas.has(area)) refuse(['acts', i, 'shields', j, 'area'], `no area “${area}”`);
    });
  });
  const [varied, begun] = [otherwise(plan.variants), cardsBegun(plan.brief)];
  if (varied > begun) refuse(['variants'], `${varied} copies of ${begun}`);
  const passes = new Set(plan.acts.filter(({ kind }) => kind === 'pass').map((act) => act.id));
  plan.variants.forEach(({ changes }, i) =>
    changes.forEach((change, j) => {
      const path = ['variants', i, 'changes', j];
      if (!passes.has(change.pass)) refuse([...path, 'pass'], `no pass “${change.pass}”`);
      if (change.do === 'lay-in' && !mixes.has(change.mix))
        refuse([...path, 'mix'], `no mix “${change.mix}”`);
    }),
  );
  const papers = known(plan.embedded.papers);
  plan.trials.forEach((trial, i) => {
    if (!papers.has(trial.paper))
      refuse(['trials', i, 'paper'], `“${trial.paper}” is not among the embedded papers`);
    trial.pigments.forEach((code, j) => {
      if (!pigments.has(code))
        refuse(['trials', i, 'pigments', j], `“${code}” is not among the embedded pigments`);
    });
    trial.acts.forEach((done, j) => {
      const foreign = pigmentsIn(done).find((code) => !trial.pigments.includes(code));
      if (foreign !== undefined)
        refuse(['trials', i, 'acts', j], `“${foreign}” is not among the pigments of the sheet`);
    });
  });
  if (plan.crop?.chosen && !known(plan.crop.frames).has(plan.crop.chosen))
    refuse(['crop', 'chosen'], `no frame “${plan.crop.chosen}”`);
  for (const key of [
    'pictures',
    'lines',
    'words',
    'guides',
    'areas',
    'things',
    'whites',
    'resists',
    'mixes',
    'acts',
    'trials',
    'variants',
  ] as const)
    if (known(plan[key]).size !== plan[key].length) refuse([key], 'two entries have the same id');
});
export type Plan = z.infer<typeof planSchema>;
