// What the checks say before anything is painted, against what the simulated paper then shows.
import { runChecks } from '@kettle/core/advice/checks';
import { chromaOf, hueApart, type Lab } from '@kettle/core/kit/colour';
import { rectangle, type Point, type Polygon } from '@kettle/core/kit/geometry';
import { GREY_CHROMA, glazeLab, pigmentByCode } from '@kettle/core/materials/pigment';
import {
  applyCommands,
  laidMix,
  newMix,
  newPass,
  newPlan,
  NEW_STUDIO,
  planPaper,
  rimOf,
  type Command,
  type Pass,
  type Plan,
} from '@kettle/core/document/plan';
import { layOut, rehearse } from '@kettle/core/order/schedule';
import { chance, done } from '@kettle/core/kit/units';
import { simulate, type ProbeReading, type Shape } from '@kettle/core/simulation/water';
import { panelKernelFromBuild } from '@kettle/kernels/node';
import type { Measured } from './limits';

const kernel = panelKernelFromBuild();
const CELL_MM = 0.5;

/** A scene as it is checked, as a hand paints it, and what is looked at when all is dry. */
interface Scene {
  readonly plan: Plan;
  readonly painted: Plan;
  readonly pass: string;
  /** Whether it has happened, read from the dry sheet. */
  readonly happened: (look: Look) => boolean;
}

type Look = (...shapes: Shape[]) => ProbeReading[];

const CODES = ['PB29', 'PY3', 'PO48', 'PG7', 'PR122', 'PB15:3'] as const;

/** How far an ordinary hand strays over the edge it paints up to, mm. The bleed gap of the house is this and what water bridges. */
const STRAYS_MM = 1;

function card(
  areas: Readonly<Record<string, Polygon>>,
  mixes: readonly Parameters<typeof newMix>[0][],
): Plan {
  const envelope = { widthMm: 70, heightMm: 56 };
  return applyCommands(newPlan({ id: 'scene', title: 'scene', occasion: '', envelope }, NEW_STUDIO), [
    ...Object.entries(areas).map(([id, outline]): Command => ({
      do: 'add-area',
      area: { id, name: id, outline },
    })),
    ...mixes.map((mix): Command => ({
      do: 'put-mix',
      mix: newMix(mix),
      pigments: mix.parts.map(({ pigment }) => pigmentByCode(pigment)),
    })),
  ]).plan;
}

const one = (id: string, pigment: string, strength: number): Parameters<typeof newMix>[0] => ({
  ...{ id, name: id, strength },
  parts: [{ pigment, parts: 1 }],
});

const withPasses = (plan: Plan, ...passes: Parameters<typeof newPass>[0][]): Plan =>
  applyCommands(
    plan,
    passes.map((pass): Command => ({ do: 'add-act', before: 'untape', act: newPass(pass) })),
  ).plan;

const begun = (plan: Plan, pass: string, start: Pass['start']): Plan =>
  applyCommands(plan, [{ do: 'change-pass', pass, change: { start } }]).plan;

const laidAt = (plan: Plan, act: string): number =>
  layOut(plan).washes.find((wash) => wash.act === act)!.laidS;

/** Two washes side by side, the second so long after the first; the hand strays over the edge between them. */
function neighbours(seed: number, closer: boolean): Scene {
  const random = chance(seed);
  const gap = closer ? 0.4 * random() : random() < 0.3 ? -2 * random() : 4 * random();
  const [a, b] = twoOf(random);
  const afterS = 2400 * random() ** 2;
  const mixes = [one('a', a, 0.2 + 0.3 * random()), one('b', b, 0.2 + 0.3 * random())];
  const [filmA, filmB] = [60 + 80 * random(), 60 + 80 * random()];
  const plan = (strays: number): Plan => {
    const areas = {
      left: rectangle(2, 2, 22, 30),
      right: rectangle(24 + gap - strays, 4, 14 + strays, 26),
    };
    return withPasses(
      card(areas, mixes),
      { id: 'first', areas: ['left'], technique: 'flat-wash', mix: 'a', filmUm: filmA },
      { id: 'second', areas: ['right'], technique: 'flat-wash', mix: 'b', filmUm: filmB },
    );
  };
  const atS = laidAt(plan(0), 'first') + afterS;
  const strays = closer ? 0 : STRAYS_MM;
  const strip = (x: number, width: number): Shape => ({ rect: [x, 9, width, 16] });
  const [leftEnds, rightBegins] = [Math.min(24, 24 + gap - STRAYS_MM), Math.max(24, 24 + gap)];
  const read = (look: Look) => {
    const [inLeft, inRight, left, right] = look(
      strip(leftEnds - 2.5, 1.5),
      strip(rightBegins + 1, 1.5),
      strip(6, 8),
      strip(30, 5),
    );
    return { inLeft, inRight, left, right };
  };
  return {
    ...{
      plan: begun(plan(0), 'second', { atS }),
      painted: begun(plan(strays), 'second', { atS }),
      pass: 'second',
    },
    happened: (look) => {
      const { inLeft, inRight, left, right } = read(look);
      if (closer)
        return look(...patches()).filter(({ lab }) => isThird(lab, left.lab, right.lab)).length >= SPOTS;
      const over = (there: ProbeReading, own: ProbeReading, code: string): number =>
        (there.pigments[code] ?? 0) / own.pigments[code];
      return Math.max(over(inLeft, right, b), over(inRight, left, a)) > SEEN;
    },
  };
}

/** The border between two washes, patch by patch. */
const patches = (): Shape[] =>
  Array.from({ length: 16 * 8 }, (_, i) => ({
    rect: [20 + (i % 16) * PATCH_MM[0], 9 + Math.floor(i / 16) * PATCH_MM[1], ...PATCH_MM],
  }));

/** A patch, mm, and how many of them of a colour of their own are seen. */
const PATCH_MM = [0.5, 2] as const;
const SPOTS = 3;

/** Another’s pigment is seen in a wash from this share of what it lays on its own. */
const SEEN = 0.1;

/** A hue as far from both as meetings are judged by, degrees. */
const OWN_HUE = 30;

/** A colour that neither has: another hue, or the grey of two opposites. */
const isThird = (lab: Lab, one: Lab, other: Lab): boolean =>
  chromaOf(lab) < GREY_CHROMA
    ? [one, other].every((end) => chromaOf(end) >= GREY_CHROMA)
    : Math.min(hueApart(lab, one), hueApart(lab, other)) >= OWN_HUE;

function twoOf(random: () => number): [string, string] {
  const first = Math.floor(random() * CODES.length);
  const second = (first + 1 + Math.floor(random() * (CODES.length - 1))) % CODES.length;
  return [CODES[first], CODES[second]];
}

/** A blot of water, or of colour with more or less water, let into a wash at some moment of its drying. */
function blot(seed: number): Scene {
  const random = chance(seed);
  const [a, b] = twoOf(random);
  const areas = { ground: rectangle(2, 2, 44, 34), blot: disc(24, 19, 5) };
  const clear = random() < 0.5;
  const mixes = [one('a', a, 0.25 + 0.25 * random()), one('b', b, 0.3)];
  const plan = withPasses(
    card(areas, mixes),
    { id: 'wash', areas: ['ground'], technique: 'flat-wash', mix: 'a', filmUm: 60 + 60 * random() },
    {
      ...{ id: 'drop', areas: ['blot'], mix: clear ? null : 'b' },
      ...{ technique: 'flat-wash', filmUm: 15 + 150 * random() ** 2, handsS: 4 },
    },
  );
  const runs = applyCommands(plan, [{ do: 'set-rules', change: { letColoursRun: true } }]).plan;
  const timed = begun(runs, 'drop', { atS: laidAt(runs, 'wash') + 5 + 900 * random() ** 1.5 });
  return {
    ...{ plan: timed, painted: timed, pass: 'drop' },
    happened: (look) => {
      const { core, rim, far } = ringsOf(look, a);
      return core < PALER * far && rim > DARKER * far;
    },
  };
}

/** A bloom: its middle has lost so much of the wash’s pigment, and its rim has so much more. */
const PALER = 0.85;
const DARKER = 1.2;

/** The wash’s own pigment in the middle of the blot, where it is most round it, and far off, g/m². */
function ringsOf(look: Look, code: string): { core: number; rim: number; far: number } {
  const rings = Array.from({ length: 8 }, (_, i) => ring(24, 19, 4 + i * 0.75));
  const [core, far, ...round] = look({ circle: [24, 19, 3] }, { rect: [4, 5, 7, 28] }, ...rings);
  return {
    core: core.pigments[code],
    rim: Math.max(...round.map(({ pigments }) => pigments[code])),
    far: far.pigments[code],
  };
}

const disc = (x: number, y: number, r: number): Polygon => [circle(x, y, r)];
const circle = (x: number, y: number, r: number): Point[] =>
  Array.from({ length: 32 }, (_, i): Point => [
    x + r * Math.cos((i * Math.PI) / 16),
    y + r * Math.sin((i * Math.PI) / 16),
  ]);
const ring = (x: number, y: number, r: number): Shape => {
  const points = circle(x, y, r);
  return { line: [...points, points[0]].map(([px, py]) => [px, py] as [number, number]), widthMm: 0.75 };
};

/** A wash of a mix of which a colour is wanted that it may or may not reach. */
function paleWash(seed: number): Scene {
  const random = chance(seed);
  const strength = 0.05 + 0.4 * random();
  const code = CODES[Math.floor(random() * CODES.length)];
  const filmUm = 50 + 90 * random();
  const plain = card({ patch: rectangle(4, 4, 36, 28) }, [one('a', code, strength)]);
  const mix = plain.mixes[0];
  const dry = glazeLab(planPaper(plain), [laidMix(plain, mix, filmUm)]);
  const wanted: Lab = [dry[0] + 30 * (random() - 0.75), dry[1], dry[2]];
  const plan = withPasses(
    { ...plain, mixes: [{ ...mix, wanted }] },
    { id: 'wash', areas: ['patch'], technique: 'flat-wash', mix: 'a', filmUm },
  );
  return {
    ...{ plan, painted: plan, pass: 'wash' },
    happened: (look) => look({ rect: [10, 9, 24, 18] })[0].lab[0] - wanted[0] > 5,
  };
}

/** How often a check was right, of the scenes there were. */
interface Score {
  readonly positives: number;
  readonly recall: number;
  readonly precision: number;
}

/** Paints scenes and compares what was found with what happened. */
function score(checks: readonly string[], scenes: readonly Scene[]): Score {
  let [hits, misses, alarms] = [0, 0, 0];
  for (const { plan, painted, pass, happened } of scenes) {
    const found = runChecks(plan, layOut(plan)).some(
      ({ id, where }) => checks.includes(id) && where.pass === pass,
    );
    const look = lookAt(painted);
    const did = happened(look);
    if (did && found) hits++;
    if (did && !found) misses++;
    if (!did && found) alarms++;
  }
  return { positives: hits + misses, recall: hits / (hits + misses), precision: hits / (hits + alarms) };
}

const SCENES = 100;

/** Scenes up to here were looked at while the rules got their numbers; they are judged on others. */
const LOOKED_AT = 200;

/** More positives than this, and shares at least about so high. */
const LEAST = { positives: 19, recall: 0.899, precision: 0.799 };

/** Four checks, each on a hundred scenes of its own. */
export function measureChecksOnPaper(): Measured {
  const scenes = (of: (seed: number) => Scene): Scene[] =>
    Array.from({ length: SCENES }, (_, i) => of(LOOKED_AT + i + 1));
  const scored: Record<string, Score> = {
    bleed: score(
      ['bleed-into-wet'],
      scenes((seed) => neighbours(seed, false)),
    ),
    third: score(
      ['third-colour', 'complements-meet'],
      scenes((seed) => neighbours(seed, true)),
    ),
    backrun: score(['backrun-risk'], scenes(blot)),
    pale: score(['dries-too-pale'], scenes(paleWash)),
  };
  const named = (of: (score: Score) => Score): [string, number][] =>
    Object.entries(scored).flatMap(([name, one]) =>
      Object.entries(of(one)).map(([key, value]): [string, number] => [`${name} ${key}`, value as number]),
    );
  return {
    figures: { scenes: SCENES, ...Object.fromEntries(named((one) => one)) },
    above: Object.fromEntries(named(() => LEAST)),
  };
}

/** Paints a plan until it is dry; what is then looked at is told from the corner of what will be seen of the panel. */
function lookAt(plan: Plan): Look {
  const rim = rimOf(plan);
  const sheet = rehearse(plan, layOut(plan), { cellMm: CELL_MM, seed: 7 });
  const moved = (shape: Shape): Shape =>
    'rect' in shape
      ? { rect: [shape.rect[0] + rim, shape.rect[1] + rim, shape.rect[2], shape.rect[3]] }
      : 'circle' in shape
        ? { circle: [shape.circle[0] + rim, shape.circle[1] + rim, shape.circle[2]] }
        : 'line' in shape
          ? { ...shape, line: shape.line.map(([x, y]) => [x + rim, y + rim] as [number, number]) }
          : { polygon: shape.polygon.map(([x, y]) => [x + rim, y + rim] as [number, number]) };
  return (...shapes) => {
    const probes = shapes.map((shape, i) => ({ name: `${i}`, shape: moved(shape) }));
    return [...done(simulate({ ...sheet, probes }, kernel)).samples.at(-1)!.probes];
  };
}
