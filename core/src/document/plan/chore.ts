/** What a chore does to the paper, where it does something. */
export type ChoreDoes = 'masks' | 'unmasks' | 'warms' | 'takes-salt-off' | 'tapes' | 'untapes';

/** An act at the table that is not painting: all that the program knows of it. */
export interface Chore {
  readonly id: string;
  readonly name: string;
  /** Hands-on time, s. */
  readonly handsS: number;
  /** Time it then needs by itself before the next act, s. */
  readonly waitS: number;
  /** The whole face must be dry before it. */
  readonly needsDry: boolean;
  /** It waits until the sheen is gone from what it is done to. */
  readonly needsMatt?: true;
  /** It belongs to finishing, after the painting. */
  readonly finishing: boolean;
  readonly does?: ChoreDoes;
  /** Done once for all cards of a batch. */
  readonly oncePerBatch?: true;
  /** For what cannot be undone: the test, and the question it answers. */
  readonly gate?: { readonly test: string; readonly question: string };
  readonly caution?: string;
}

const MINUTE = 60;
const HOUR = 3600;
const LATEX =
  'Masking fluid holds latex and ammonia: air the room, mind allergies, follow the maker’s sheet.';
const HEAT =
  'Warm air moving, an arm’s length off, never on wet masking fluid or salt; mind fingers, hair and the maker’s sheet.';
const BLADE = 'Blade: several light cuts along a metal ruler, away from the fingers.';

/** The chore that dries what is wet with warm air. */
export const DRY_WARM = 'dry-warm';

/** The chores a plan may hold. Times are our own defaults. */
export const CHORES: readonly Chore[] = [
  {
    id: 'prepare',
    name: 'Lay ready: mixes, two jars, tissue',
    handsS: 8 * MINUTE,
    waitS: 0,
    oncePerBatch: true,
    needsDry: false,
    finishing: false,
  },
  {
    id: 'tape',
    name: 'Tape the sheet down',
    handsS: 3 * MINUTE,
    waitS: 0,
    does: 'tapes',
    needsDry: true,
    finishing: false,
  },
  {
    id: 'draw',
    name: 'Draw lightly in pencil',
    handsS: 10 * MINUTE,
    waitS: 0,
    needsDry: true,
    finishing: false,
  },
  {
    id: 'mask-on',
    name: 'Mask',
    handsS: 5 * MINUTE,
    waitS: 0,
    does: 'masks',
    needsDry: false,
    finishing: false,
    caution: LATEX,
  },
  {
    id: 'mask-off',
    name: 'Take the mask off',
    handsS: 3 * MINUTE,
    waitS: 0,
    does: 'unmasks',
    needsDry: false,
    finishing: true,
    gate: {
      test: 'Back of the hand on the paper beside the mask',
      question: 'Is it dry and no longer cool?',
    },
  },
  {
    id: DRY_WARM,
    name: 'Dry it warm',
    handsS: 4 * MINUTE,
    waitS: 0,
    does: 'warms',
    needsDry: false,
    needsMatt: true,
    finishing: false,
    caution: HEAT,
  },
  {
    id: 'unsalt',
    name: 'Brush the salt off',
    handsS: 1 * MINUTE,
    waitS: 0,
    does: 'takes-salt-off',
    needsDry: true,
    finishing: false,
    gate: { test: 'Brush a little of the salt off at the edge', question: 'Does it come away dry?' },
  },
  {
    id: 'turn-over',
    name: 'Turn the sheet over',
    handsS: 20,
    waitS: 0,
    needsDry: true,
    finishing: false,
    gate: { test: 'Back of the hand over the whole face', question: 'Is it bone dry?' },
  },
  {
    id: 'rub-out',
    name: 'Rub out the pencil',
    handsS: 2 * MINUTE,
    waitS: 0,
    needsDry: true,
    finishing: true,
    gate: { test: 'Back of the hand over the whole panel', question: 'Is it bone dry?' },
  },
  {
    id: 'look',
    name: 'Look at it from arm’s length',
    handsS: 1 * MINUTE,
    waitS: 0,
    needsDry: false,
    finishing: true,
  },
  {
    id: 'untape',
    name: 'Take the tape off, slowly and flat',
    handsS: 2 * MINUTE,
    waitS: 0,
    does: 'untapes',
    needsDry: true,
    finishing: true,
    gate: { test: 'Look along the edge of the tape, then feel it', question: 'Is the rim dry?' },
  },
  {
    id: 'letter',
    name: 'Letter the inside',
    handsS: 8 * MINUTE,
    waitS: 5 * MINUTE,
    needsDry: true,
    finishing: true,
  },
  {
    id: 'trim',
    name: 'Trim to size',
    handsS: 4 * MINUTE,
    waitS: 0,
    needsDry: true,
    finishing: true,
    caution: BLADE,
    gate: { test: 'Lay the card frame over it', question: 'Is this the crop you want?' },
  },
  { id: 'score', name: 'Score the fold', handsS: 2 * MINUTE, waitS: 0, needsDry: true, finishing: true },
  {
    id: 'fold',
    name: 'Fold',
    handsS: 1 * MINUTE,
    waitS: 0,
    needsDry: true,
    finishing: true,
    gate: { test: 'Look where the score lies', question: 'Does the card open the right way?' },
  },
  {
    id: 'mount',
    name: 'Mount the panel on its base',
    handsS: 4 * MINUTE,
    waitS: 10 * MINUTE,
    needsDry: true,
    finishing: true,
    caution: 'Spray adhesive only outdoors or under extraction.',
    gate: { test: 'Lay the panel on dry, margins even', question: 'Is it straight?' },
  },
  {
    id: 'press',
    name: 'Press under weight',
    handsS: 1 * MINUTE,
    waitS: 8 * HOUR,
    needsDry: true,
    finishing: true,
  },
];

/** Finds a chore by id; a plan's schema has already refused unknown ones. */
export const choreOf = (id: string): Chore => CHORES.find((chore) => chore.id === id)!;
