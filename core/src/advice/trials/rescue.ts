import type { Point } from '../../kit/geometry';
import { isReached, type AskedAct, type Replay, type Shape, type Stage } from '../../simulation/water';

/** What can have gone wrong at a place. */
export const SYMPTOMS = [
  { id: 'bloom', name: 'a bloom, or water ran back' },
  { id: 'too-dark', name: 'too dark, or not meant to be there' },
  { id: 'too-pale', name: 'too pale' },
  { id: 'hard-edge', name: 'an edge that should be soft' },
] as const;
export type Symptom = (typeof SYMPTOMS)[number]['id'];

/** Something to do, at once or when the paper is so far. */
export interface RemedyStep {
  readonly when: 'now' | 'matt' | 'dry';
  readonly act: AskedAct;
}

/** A way out, as a painter would say it, with what it costs. */
export interface Remedy {
  readonly id: string;
  readonly says: string;
  readonly mind: string;
  readonly steps: readonly RemedyStep[];
}

/** What went wrong, where, and what is at hand. */
export interface Mishap {
  readonly symptom: Symptom;
  readonly stage: Stage;
  readonly at: Point;
  readonly radiusMm: number;
  /** The mix that lies there, if it is known, and an opaque white, if there is one. */
  readonly paint: readonly { readonly pigment: string; readonly gm2: number }[];
  readonly white: string | null;
}

/** A thorough re-wetting, and a glaze, µm; a coat of opaque white that hides, g/m² (our defaults). */
const REWET_UM = 60;
const GLAZE_UM = 50;
const WHITE_GM2 = 30;

const LEAVE: Remedy = {
  ...{ id: 'leave', says: 'Leave it', steps: [] },
  mind: 'What is done to damp paper often makes it worse.',
};

/** Up to four ways out, by what is wrong and how wet it is there; to leave it alone is always one. */
export function remediesFor(mishap: Mishap): Remedy[] {
  const wet = ['puddled', 'shiny', 'satin'].includes(mishap.stage);
  const ways = WAYS[mishap.symptom][wet ? 'wet' : mishap.stage === 'dry' ? 'dry' : 'damp'];
  return [...ways.flatMap((way) => WAYS_OUT[way](mishap) ?? []), LEAVE];
}

/** Which ways are worth a try, best first. */
const WAYS: Readonly<Record<Symptom, Readonly<Record<'wet' | 'damp' | 'dry', readonly string[]>>>> = {
  bloom: {
    wet: ['tissue', 'thirsty', 'rewet'],
    damp: ['rewet', 'lift', 'white'],
    dry: ['rewet', 'lift', 'white'],
  },
  'too-dark': {
    wet: ['tissue', 'thirsty', 'lift'],
    damp: ['lift', 'rewet', 'white'],
    dry: ['lift', 'white', 'rewet'],
  },
  'too-pale': { wet: ['glaze', 'drop'], damp: ['glaze'], dry: ['glaze'] },
  'hard-edge': { wet: ['soften', 'thirsty'], damp: ['rewet', 'lift'], dry: ['soften-dry', 'rewet'] },
};

const spot = ({ at, radiusMm }: Mishap, by = 1): Shape => ({ circle: [at[0], at[1], radiusMm * by] });

type Way = (mishap: Mishap) => Remedy | null;

const WAYS_OUT: Readonly<Record<string, Way>> = {
  tissue: (mishap) => ({
    ...{
      id: 'tissue',
      says: 'A tissue, now',
      mind: 'It leaves the shape of the tissue: a crumpled one is softer.',
    },
    steps: [{ when: 'now', act: { kind: 'blot', shape: spot(mishap), share: 0.85 } }],
  }),
  thirsty: (mishap) => ({
    ...{ id: 'thirsty', says: 'A thirsty brush, now', mind: 'Squeeze it out between two touches.' },
    steps: [{ when: 'now', act: brushed(mishap, 'thirsty') }],
  }),
  soften: (mishap) => ({
    ...{
      id: 'soften',
      says: 'A damp clean brush along it, now',
      mind: 'Less water than is there, or it blooms.',
    },
    steps: [{ when: 'now', act: brushed(mishap, 'damp') }],
  }),
  'soften-dry': (mishap) => ({
    ...{
      id: 'soften-dry',
      says: 'Loosen the edge with a damp brush and dab it',
      mind: 'Not where it stains.',
    },
    steps: [
      { when: 'dry', act: { kind: 'scrub', shape: spot(mishap), strength: 0.7 } },
      { when: 'now', act: { kind: 'blot', shape: spot(mishap), share: 0.6 } },
    ],
  }),
  rewet: (mishap) => ({
    ...{ id: 'rewet', says: 'Let it dry, then wet it well beyond and let it settle' },
    mind: 'Bone dry first; wide, and with no edge of water left standing.',
    steps: [{ when: 'dry', act: { kind: 'water', shape: spot(mishap, 2), filmUm: REWET_UM, pigments: [] } }],
  }),
  lift: (mishap) => ({
    ...{ id: 'lift', says: 'Let it dry, then lift it' },
    mind: 'Damp brush and tissue; twice at most, and not where it stains.',
    steps: [
      { when: 'dry', act: { kind: 'lift', shape: spot(mishap), strength: 1 } },
      { when: 'now', act: { kind: 'blot', shape: spot(mishap), share: 0.9 } },
    ],
  }),
  white: (mishap) =>
    mishap.white === null
      ? null
      : {
          ...{ id: 'white', says: 'Let it dry, then cover it with opaque white' },
          mind: 'It stays a little chalky; for small places.',
          steps: [
            {
              when: 'dry',
              act: {
                ...{ kind: 'print', shape: spot(mishap), filmUm: GLAZE_UM },
                pigments: [{ pigment: mishap.white, gm2: WHITE_GM2 }],
              },
            },
          ],
        },
  glaze: (mishap) =>
    mishap.paint.length === 0
      ? null
      : {
          ...{ id: 'glaze', says: 'Let it dry, then glaze it with the same mix' },
          mind: 'Bone dry below; once over.',
          steps: [
            {
              when: 'dry',
              act: { kind: 'wash', shape: spot(mishap), filmUm: GLAZE_UM, pigments: [...mishap.paint] },
            },
          ],
        },
  drop: (mishap) =>
    mishap.paint.length === 0
      ? null
      : {
          ...{ id: 'drop', says: 'Drop more of the mix in, now', mind: 'Less water than is there.' },
          steps: [
            {
              when: 'now',
              act: { kind: 'drop', shape: spot(mishap, 0.6), filmUm: 15, pigments: [...mishap.paint] },
            },
          ],
        },
};

/** A clean brush, round and round over the place. */
function brushed({ at, radiusMm }: Mishap, load: 'thirsty' | 'damp'): AskedAct {
  const turns = 2;
  const points = Array.from({ length: 24 * turns + 1 }, (_, i): readonly [number, number, number] => {
    const [share, turn] = [i / (24 * turns), (2 * Math.PI * i) / 24];
    const reach = 0.8 * radiusMm * share;
    return [at[0] + reach * Math.cos(turn), at[1] + reach * Math.sin(turn), 0.8];
  });
  return { kind: 'stroke', points, brush: 'round-8', load, dips: true, parts: [], strength: 0.2 };
}

/** Does a remedy, and lets the paper dry; yields the time reached. */
export function* carryOut(replay: Replay, { steps }: Pick<Remedy, 'steps'>): Generator<number, void> {
  for (const { when, act } of steps) {
    if (when !== 'now') yield* runUntil(replay, when);
    replay.doNow({ ...act, atS: replay.run.atS });
  }
  yield* runUntil(replay, 'dry');
}

/** Lets time pass until something is so; looked for before every step, as the painting table does. */
export function* runUntil(replay: Replay, until: 'matt' | 'dry'): Generator<number, void> {
  const course = replay.advance(Infinity);
  while (!isReached(replay.run, until, replay.moreToCome)) {
    const step = course.next();
    if (step.done) return;
    yield step.value;
  }
}
