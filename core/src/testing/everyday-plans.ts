import { rectangle, type Point, type Polygon } from '../kit/geometry';
import { pigmentByCode } from '../materials/pigment';
import {
  applyCommands,
  newMix,
  newPass,
  newPlan,
  NEW_STUDIO,
  type Command,
  type Pass,
  type Plan,
  type PlannedMix,
  type White,
} from '../document/plan';

/** A small plan, and in a line what a painter does in it. */
export interface EverydayPlan {
  readonly does: string;
  readonly plan: Plan;
}

/** The same with one real mistake, and the check that is to find it. */
export interface MistakenPlan extends EverydayPlan {
  readonly found: string;
}

const PANEL = { widthMm: 148, heightMm: 100 };

const disc = (x: number, y: number, r: number): Polygon => [
  Array.from({ length: 32 }, (_, i): Point => {
    const turn = (2 * Math.PI * i) / 32;
    return [x + r * Math.cos(turn), y + r * Math.sin(turn)];
  }),
];

// What is drawn on these cards, each to be taken or left.
const SHAPES: Readonly<Record<string, Polygon>> = {
  panel: rectangle(0, 0, PANEL.widthMm, PANEL.heightMm),
  sky: rectangle(0, 0, PANEL.widthMm, 60),
  sea: rectangle(0, 60, PANEL.widthMm, 40),
  hills: [
    [
      [0, 62],
      [30, 42],
      [62, 54],
      [98, 36],
      [PANEL.widthMm, 58],
      [PANEL.widthMm, 68],
      [0, 68],
    ],
  ],
  jar: [
    [
      [58, 24],
      [90, 24],
      [98, 42],
      [96, 82],
      [52, 82],
      [50, 42],
    ],
  ],
  'jar, shade side': [
    [
      [80, 26],
      [90, 26],
      [97, 42],
      [95, 81],
      [80, 81],
    ],
  ],
  leaf: disc(50, 50, 16),
  'other leaf': disc(100, 50, 15),
  berry: disc(75, 45, 9),
  sun: disc(110, 24, 9),
  lamp: disc(74, 50, 5),
  sail: [
    [
      [70, 20],
      [92, 66],
      [70, 66],
    ],
  ],
  boat: [
    [
      [56, 68],
      [98, 68],
      [90, 80],
      [64, 80],
    ],
  ],
};

/** Commands that make one of these plans. */
type Step = Command | Command[];

const planOf = (...steps: Step[]): Plan => {
  const begun = newPlan(
    { id: 'everyday', title: 'Everyday', occasion: 'thanks', envelope: { widthMm: 162, heightMm: 114 } },
    NEW_STUDIO,
  );
  return applyCommands(begun, steps.flat()).plan;
};

const drawn = (...names: string[]): Command[] =>
  names.map((name) => ({
    do: 'add-area',
    area: { id: name.replace(/\W+/g, '-'), name, outline: SHAPES[name] },
  }));

/** A mix of parts by code, and its strength. */
const mixed = (
  id: string,
  strength: number,
  parts: Readonly<Record<string, number>>,
  change: Partial<PlannedMix> = {},
): Command => ({
  do: 'put-mix',
  mix: newMix({
    ...{ id, name: id.replaceAll('-', ' '), strength },
    parts: Object.entries(parts).map(([pigment, n]) => ({ pigment, parts: n })),
    ...change,
  }),
  pigments: Object.keys(parts).map((code) => pigmentByCode(code)),
});

const BLUE = mixed('sky-blue', 0.25, { PB29: 1 });
const DEEP = mixed('deep-blue', 0.7, { PB29: 3, 'PBr7-burnt-sienna': 1 });
const YELLOW = mixed('warm-yellow', 0.3, { PY150: 1 });
const GREEN = mixed('leaf-green', 0.4, { PG7: 1, PY150: 4 });
const ROSE = mixed('rose', 0.3, { 'PV19-rose': 1 });
const EARTH = mixed('earth', 0.4, { 'PBr7-burnt-sienna': 1 });
const PALE = mixed('pale-blue', 0.08, { PB29: 1 });

let passes = 0;
/** A pass as the program begins one, but for what is said. */
const laid = (
  technique: string,
  areas: string | string[],
  mix: string | null,
  change: Partial<Pass> = {},
): Command => ({
  do: 'add-act',
  before: 'untape',
  act: newPass({
    ...{ id: `pass-${++passes}`, technique, areas: [areas].flat(), mix },
    ...change,
  }),
});

const doing = (chore: string, ...areas: string[]): Command => ({
  do: 'add-act',
  before: 'untape',
  act: { kind: 'chore', id: `chore-${++passes}`, chore, areas, handsS: null },
});

const kept = (area: string, way: White['way'], change: Partial<White> = {}): Command => ({
  do: 'keep-white',
  white: { id: `white-${area}`, area, way, tool: null, wanted: null, edge: 'hard', ...change },
});

/** What painters do every day, one plan for every technique and for the ordinary ways they go together. */
export const EVERYDAY: readonly EverydayPlan[] = [
  {
    does: 'a flat wash of sky',
    plan: planOf(drawn('sky'), BLUE, laid('flat-wash', 'sky', 'sky-blue')),
  },
  {
    does: 'a graded wash from strong to clear',
    plan: planOf(drawn('sky'), DEEP, laid('graded-wash', 'sky', 'deep-blue')),
  },
  {
    does: 'a sky wetted, and colour floated into it',
    plan: planOf(drawn('sky'), BLUE, laid('pre-wet', 'sky', null), laid('wet-in-wet', 'sky', 'sky-blue')),
  },
  {
    does: 'a wash, charged with a darker colour while it shines',
    plan: planOf(
      drawn('leaf'),
      GREEN,
      DEEP,
      laid('flat-wash', 'leaf', 'leaf-green'),
      laid('charge', 'leaf', 'deep-blue'),
    ),
  },
  {
    does: 'a wash with its lower edge softened',
    plan: planOf(drawn('hills'), BLUE, laid('flat-wash', 'hills', 'sky-blue'), laid('soften', 'hills', null)),
  },
  {
    does: 'a second wet pass as the sheen goes',
    plan: planOf(
      drawn('sky'),
      ...[BLUE, DEEP, laid('flat-wash', 'sky', 'sky-blue')],
      laid('second-wet', 'sky', 'deep-blue', { start: { stage: 'damp' } }),
    ),
  },
  {
    does: 'a wash misted while it shines, the rest of the card covered',
    plan: planOf(
      drawn('sky'),
      ...[DEEP, laid('flat-wash', 'sky', 'deep-blue')],
      laid('mist', 'sky', null, { shields: [{ area: 'sky', lies: 'round', edge: 'torn' }] }),
    ),
  },
  {
    does: 'salt on a dark sky, off when it is dry',
    plan: planOf(
      drawn('sky'),
      ...[DEEP, laid('flat-wash', 'sky', 'deep-blue')],
      laid('salt', 'sky', null, { start: { stage: 'shiny' } }),
      doing('unsalt'),
    ),
  },
  {
    does: 'a glaze on the shade side of a dry wash',
    plan: planOf(
      drawn('jar', 'jar, shade side'),
      ...[
        YELLOW,
        DEEP,
        laid('flat-wash', 'jar', 'warm-yellow'),
        laid('glaze', 'jar-shade-side', 'deep-blue'),
      ],
    ),
  },
  {
    does: 'leaves in loose strokes',
    plan: planOf(
      drawn('leaf', 'other leaf'),
      GREEN,
      laid('loose-strokes', ['leaf', 'other-leaf'], 'leaf-green'),
    ),
  },
  {
    does: 'dry brush for the sparkle on a dry sea',
    plan: planOf(
      drawn('sea'),
      ...[BLUE, DEEP, laid('flat-wash', 'sea', 'sky-blue'), laid('dry-brush', 'sea', 'deep-blue')],
    ),
  },
  {
    does: 'lines in paint over a dry wash',
    plan: planOf(
      drawn('boat'),
      ...[EARTH, DEEP, laid('flat-wash', 'boat', 'earth'), laid('line', 'boat', 'deep-blue')],
    ),
  },
  {
    does: 'touches with a nib on a dry leaf',
    plan: planOf(
      drawn('leaf'),
      ...[GREEN, DEEP, laid('flat-wash', 'leaf', 'leaf-green'), laid('nib', 'leaf', 'deep-blue')],
    ),
  },
  {
    does: 'spatter on a dry sky, all else covered',
    plan: planOf(
      drawn('sky'),
      ...[BLUE, DEEP, laid('flat-wash', 'sky', 'sky-blue')],
      laid('spatter', 'sky', 'deep-blue', { shields: [{ area: 'sky', lies: 'round', edge: 'cut' }] }),
    ),
  },
  {
    does: 'berries printed with a disc',
    plan: planOf(drawn('berry'), ROSE, laid('print', 'berry', 'rose')),
  },
  {
    does: 'a hedge dabbed with a sponge',
    plan: planOf(drawn('hills'), GREEN, laid('sponge', 'hills', 'leaf-green')),
  },
  {
    does: 'a light lifted out of a colour that lifts',
    plan: planOf(
      drawn('sky', 'sun'),
      mixed('lifting-blue', 0.3, { PB29: 1 }),
      laid('flat-wash', 'sky', 'lifting-blue'),
      kept('sun', 'lift', { edge: 'soft' }),
    ),
  },
  {
    does: 'white dots on a dark sky, in undiluted titanium white',
    plan: planOf(drawn('sky', 'lamp'), DEEP, laid('flat-wash', 'sky', 'deep-blue'), kept('lamp', 'opaque')),
  },
  {
    does: 'gold on a dry sail',
    plan: planOf(
      drawn('sail'),
      ...[EARTH, mixed('gold', 1, { 'MICA-gold': 1 }, { medium: 'metallic' })],
      ...[laid('flat-wash', 'sail', 'earth'), laid('metallic', 'sail', 'gold')],
    ),
  },
  {
    does: 'a sail masked, the sky washed over it, the mask off',
    plan: planOf(
      drawn('sky', 'sail'),
      ...[DEEP, laid('flat-wash', 'sky', 'deep-blue'), kept('sail', 'mask')],
    ),
  },
  {
    does: 'a boat painted round, and painted when the sea is dry',
    plan: planOf(
      drawn('sea', 'boat'),
      ...[BLUE, EARTH, kept('boat', 'paint-round')],
      ...[laid('flat-wash', 'sea', 'sky-blue'), laid('flat-wash', 'boat', 'earth')],
    ),
  },
  {
    does: 'a boat painted while the sea that goes round it dries',
    plan: planOf(
      drawn('sea', 'boat'),
      ...[DEEP, YELLOW, kept('boat', 'paint-round')],
      ...[
        laid('flat-wash', 'sea', 'deep-blue'),
        laid('flat-wash', 'boat', 'warm-yellow', { start: 'straight-on' }),
      ],
    ),
  },
  {
    does: 'an evening sky of two colours, one wash',
    plan: planOf(
      drawn('sky'),
      ...[BLUE, ROSE, laid('pre-wet', 'sky', null)],
      laid('wet-in-wet', 'sky', 'sky-blue', { also: [{ mix: 'rose', lies: 'below', share: 0.4 }] }),
    ),
  },
  {
    does: 'a jar wetted, colour floated in, its shade side charged two minutes later',
    plan: planOf(
      drawn('jar', 'jar, shade side'),
      ...[YELLOW, EARTH, laid('pre-wet', 'jar', null), laid('wet-in-wet', 'jar', 'warm-yellow')],
      laid('charge', 'jar-shade-side', 'earth'),
    ),
  },
  {
    does: 'hills glazed over the lower half of a dry sky',
    plan: planOf(
      drawn('sky', 'hills'),
      ...[PALE, DEEP, laid('flat-wash', 'sky', 'pale-blue'), laid('glaze', 'hills', 'deep-blue')],
    ),
  },
  {
    does: 'sky and sea side by side, the second when the first is dry',
    plan: planOf(
      drawn('sky', 'sea'),
      ...[PALE, DEEP, laid('flat-wash', 'sky', 'pale-blue'), laid('flat-wash', 'sea', 'deep-blue')],
    ),
  },
  {
    does: 'a sun masked in a sky that is painted wet-in-wet, and painted yellow at the end',
    plan: planOf(
      drawn('sky', 'sun'),
      ...[DEEP, YELLOW, doing('mask-on', 'sun'), laid('pre-wet', 'sky', null)],
      ...[
        laid('wet-in-wet', 'sky', 'deep-blue'),
        doing('mask-off', 'sun'),
        laid('flat-wash', 'sun', 'warm-yellow'),
      ],
    ),
  },
  {
    does: 'dark hills over a pale sky when it is dry',
    plan: planOf(
      drawn('sky', 'hills'),
      ...[ROSE, DEEP, laid('flat-wash', 'sky', 'rose'), laid('flat-wash', 'hills', 'deep-blue')],
    ),
  },
  {
    does: 'a lamp painted first and bright, the dark painted round it',
    plan: planOf(
      drawn('panel', 'lamp'),
      ...[YELLOW, DEEP, kept('lamp', 'paint-round')],
      ...[laid('flat-wash', 'lamp', 'warm-yellow'), laid('flat-wash', 'panel', 'deep-blue')],
    ),
  },
  {
    does: 'a drawing in waterproof ink, washed over',
    plan: planOf(
      drawn('boat'),
      EARTH,
      {
        do: 'add-line',
        line: {
          ...{ id: 'ink', kind: 'waterproof-ink' },
          points: [
            [57, 69, 0.5],
            [96, 79, 0.5],
          ],
        },
      },
      laid('flat-wash', 'boat', 'earth'),
    ),
  },
  {
    does: 'two leaves of one green side by side, a pale salmon berry between them',
    plan: planOf(
      drawn('leaf', 'other leaf', 'berry'),
      ...[GREEN, mixed('salmon', 0.12, { PO48: 1, 'PV19-rose': 1 }), kept('berry', 'paint-round')],
      ...[laid('flat-wash', ['leaf', 'other-leaf'], 'leaf-green'), laid('flat-wash', 'berry', 'salmon')],
    ),
  },
  {
    does: 'one wash for the whole ground, wet-in-wet, and a bird kept bare of it',
    plan: planOf(
      drawn('panel', 'berry'),
      ...[
        DEEP,
        laid('pre-wet', 'panel', null),
        laid('wet-in-wet', 'panel', 'deep-blue'),
        kept('berry', 'mask'),
      ],
    ),
  },
  {
    does: 'a wash left to dry, dried warm once it is matt, and glazed',
    plan: planOf(
      drawn('sky'),
      ...[
        YELLOW,
        ROSE,
        laid('flat-wash', 'sky', 'warm-yellow'),
        doing('dry-warm'),
        laid('glaze', 'sky', 'rose'),
      ],
    ),
  },
];

/** An outline in the ink that runs, or in the one that does not. */
const inked = (kind: 'soluble-ink' | 'waterproof-ink'): Command => ({
  do: 'add-line',
  line: {
    ...{ id: 'ink', kind },
    points: [
      [57, 69, 0.5],
      [96, 79, 0.5],
    ],
  },
});

/** The same with one real mistake each. */
export const MISTAKEN: readonly MistakenPlan[] = [
  {
    does: 'the sea laid straight on, beside a sky that is wet',
    found: 'bleed-into-wet',
    plan: planOf(
      drawn('sky', 'sea'),
      ...[PALE, DEEP, laid('flat-wash', 'sky', 'pale-blue')],
      laid('flat-wash', 'sea', 'deep-blue', { start: 'straight-on' }),
    ),
  },
  {
    does: 'a boat painted in a wet sea',
    found: 'bleed-into-wet',
    plan: planOf(
      drawn('sea', 'boat'),
      ...[BLUE, EARTH, laid('flat-wash', 'sea', 'sky-blue')],
      laid('flat-wash', 'boat', 'earth', { start: 'straight-on' }),
    ),
  },
  {
    does: 'colour charged when the wash is dry',
    found: 'charge-too-late',
    plan: planOf(
      drawn('leaf'),
      ...[GREEN, DEEP, laid('flat-wash', 'leaf', 'leaf-green')],
      laid('charge', 'leaf', 'deep-blue', { start: 'when-dry' }),
    ),
  },
  {
    does: 'colour floated where nothing has been wetted',
    found: 'charge-too-late',
    plan: planOf(drawn('sky'), BLUE, laid('wet-in-wet', 'sky', 'sky-blue')),
  },
  {
    does: 'a dripping brush into the damp',
    found: 'second-pass-water',
    plan: planOf(
      drawn('sky'),
      ...[BLUE, DEEP, laid('flat-wash', 'sky', 'sky-blue')],
      laid('second-wet', 'sky', 'deep-blue', { filmUm: 140, start: { stage: 'damp' } }),
    ),
  },
  {
    does: 'clear water dropped into damp paint',
    found: 'backrun-risk',
    plan: planOf(
      drawn('sky', 'sun'),
      ...[DEEP, laid('flat-wash', 'sky', 'deep-blue')],
      laid('soften', 'sun', null, { filmUm: 90, start: { stage: 'damp' } }),
    ),
  },
  {
    does: 'a puddle against the tape',
    found: 'pool-at-tape',
    plan: planOf(drawn('panel'), BLUE, laid('flat-wash', 'panel', 'sky-blue', { filmUm: 220 })),
  },
  {
    does: 'a brush over masking fluid put on a minute ago',
    found: 'mask-not-set',
    plan: planOf(
      drawn('sky', 'sail'),
      ...[DEEP, laid('flat-wash', 'sky', 'deep-blue', { start: 'straight-on' }), kept('sail', 'mask')],
    ),
  },
  {
    does: 'a dryer over masking fluid that is soft',
    found: 'mask-heated',
    plan: planOf(
      drawn('sky', 'sail'),
      ...[DEEP, doing('mask-on', 'sail'), doing('dry-warm')],
      ...[laid('flat-wash', 'sky', 'deep-blue'), doing('mask-off', 'sail')],
    ),
  },
  {
    does: 'a mask left on for two days',
    found: 'mask-too-long',
    plan: planOf(
      drawn('sky', 'sail'),
      ...[DEEP, laid('flat-wash', 'sky', 'deep-blue', { start: { atS: 48 * 3600 } }), kept('sail', 'mask')],
    ),
  },
  {
    does: 'a mask as large as the hills',
    found: 'mask-too-large',
    plan: planOf(
      drawn('panel', 'hills'),
      ...[DEEP, laid('flat-wash', 'panel', 'deep-blue'), kept('hills', 'mask')],
    ),
  },
  {
    does: 'a mast masked with a marker that is wider than it',
    found: 'mask-line-too-fine',
    plan: planOf(
      drawn('sky'),
      { do: 'add-area', area: { id: 'mast', name: 'mast', outline: rectangle(80, 10, 0.8, 40) } },
      ...[DEEP, laid('flat-wash', 'sky', 'deep-blue'), kept('mast', 'mask', { tool: 'marker' })],
    ),
  },
  {
    does: 'a sail that is to stay bare, and the sky washed over it',
    found: 'white-crossed',
    plan: planOf(
      drawn('sky', 'sail'),
      ...[DEEP, kept('sail', 'bare'), laid('flat-wash', 'sky', 'deep-blue')],
    ),
  },
  {
    does: 'a white sail on a sky nearly as white',
    found: 'contour-lost',
    plan: planOf(
      drawn('sky', 'sail'),
      ...[mixed('mist', 0.02, { PB29: 1 }), laid('flat-wash', 'sky', 'mist'), kept('sail', 'mask')],
    ),
  },
  {
    does: 'a yellow sun painted over a dark sky',
    found: 'lighter-over-darker',
    plan: planOf(
      drawn('sky', 'sun'),
      ...[DEEP, YELLOW, laid('flat-wash', 'sky', 'deep-blue'), laid('flat-wash', 'sun', 'warm-yellow')],
    ),
  },
  {
    does: 'a white dot in zinc white over dark',
    found: 'lighter-over-darker',
    plan: planOf(
      drawn('sky', 'lamp'),
      ...[
        DEEP,
        mixed('zinc-white', 1, { PW4: 1 }, { medium: 'opaque' }),
        laid('flat-wash', 'sky', 'deep-blue'),
      ],
      laid('opaque', 'lamp', 'zinc-white'),
    ),
  },
  {
    does: 'three strong pigments stirred into one',
    found: 'mud',
    plan: planOf(
      drawn('sea'),
      ...[mixed('sludge', 0.4, { PO48: 1, PG7: 1, 'PV19-rose': 1 }), laid('flat-wash', 'sea', 'sludge')],
    ),
  },
  {
    does: 'yellow laid in a sky that is still wet',
    found: 'third-colour',
    plan: planOf(
      drawn('sky', 'sun'),
      ...[mixed('strong-blue', 0.5, { PB29: 1 }), mixed('lemon', 0.3, { PY3: 1 })],
      ...[
        laid('flat-wash', 'sky', 'strong-blue'),
        laid('flat-wash', 'sun', 'lemon', { start: 'straight-on' }),
      ],
    ),
  },
  {
    does: 'an orange roof against a sky that is still wet',
    found: 'complements-meet',
    plan: planOf(
      drawn('sky', 'sea'),
      ...[
        mixed('cobalt', 0.4, { PB28: 1 }),
        mixed('orange', 0.4, { PO48: 1 }),
        laid('flat-wash', 'sky', 'cobalt'),
      ],
      laid('flat-wash', 'sea', 'orange', { start: 'straight-on' }),
    ),
  },
  {
    does: 'a wash much paler than the colour wanted of it',
    found: 'dries-too-pale',
    plan: planOf(
      drawn('sea'),
      ...[mixed('thin', 0.05, { PB29: 1 }, { wanted: [45, 5, -40] }), laid('flat-wash', 'sea', 'thin')],
    ),
  },
  {
    does: 'a fifth of a millilitre mixed for a whole sky',
    found: 'mix-runs-short',
    plan: planOf(
      drawn('panel'),
      ...[mixed('sky-blue', 0.25, { PB29: 1 }, { mixedMl: 0.2 }), laid('flat-wash', 'panel', 'sky-blue')],
    ),
  },
  {
    does: 'salt into a puddle',
    found: 'salt-too-wet',
    plan: planOf(
      drawn('sky'),
      ...[DEEP, laid('flat-wash', 'sky', 'deep-blue', { filmUm: 200 })],
      ...[laid('salt', 'sky', null, { start: 'straight-on' }), doing('unsalt')],
    ),
  },
  {
    does: 'salt when the sheen is gone',
    found: 'salt-too-dry',
    plan: planOf(
      drawn('sky'),
      ...[DEEP, laid('flat-wash', 'sky', 'deep-blue')],
      ...[laid('salt', 'sky', null, { start: { stage: 'damp' } }), doing('unsalt')],
    ),
  },
  {
    does: 'a dryer over salt',
    found: 'salt-heated',
    plan: planOf(
      drawn('sky'),
      ...[DEEP, laid('flat-wash', 'sky', 'deep-blue')],
      ...[laid('salt', 'sky', null, { start: { stage: 'shiny' } }), doing('dry-warm'), doing('unsalt')],
    ),
  },
  {
    does: 'a light lifted out of a colour that stains',
    found: 'lift-on-staining',
    plan: planOf(
      drawn('sky', 'sun'),
      ...[mixed('stain', 0.4, { 'PB15:3': 1 }), laid('flat-wash', 'sky', 'stain'), kept('sun', 'lift')],
    ),
  },
  {
    does: 'a wash over ink that runs',
    found: 'line-will-run',
    plan: planOf(drawn('boat'), ...[EARTH, inked('soluble-ink'), laid('flat-wash', 'boat', 'earth')]),
  },
  {
    does: 'opaque paint over an ink line',
    found: 'line-buried',
    plan: planOf(
      drawn('boat'),
      ...[mixed('cream', 1, { PW6: 5, PY42: 1 }, { medium: 'opaque' }), inked('waterproof-ink')],
      laid('opaque', 'boat', 'cream'),
    ),
  },
  {
    does: 'gold thinned like a wash',
    found: 'metal-too-thin',
    plan: planOf(
      drawn('sail'),
      ...[mixed('gold', 0.1, { 'MICA-gold': 1 }, { medium: 'metallic' }), laid('metallic', 'sail', 'gold')],
    ),
  },
  {
    does: 'spatter beside a painted sea with nothing covered',
    found: 'splash-reaches',
    plan: planOf(
      drawn('sky', 'sea'),
      ...[BLUE, DEEP, laid('flat-wash', 'sea', 'sky-blue'), laid('flat-wash', 'sky', 'deep-blue')],
      laid('spatter', 'sky', 'deep-blue'),
    ),
  },
  {
    does: 'a line drawn while the sky beside the hand is wet',
    found: 'hand-on-wet',
    plan: planOf(
      drawn('sky', 'boat'),
      ...[BLUE, EARTH, laid('flat-wash', 'sky', 'sky-blue')],
      laid('line', 'boat', 'earth', { start: 'straight-on' }),
    ),
  },
  {
    does: 'a wash gone over more often than the paper bears',
    found: 'too-many-passes',
    plan: planOf(
      drawn('sky'),
      PALE,
      Array.from({ length: 20 }, () => laid('flat-wash', 'sky', 'pale-blue')),
    ),
  },
  {
    does: 'a figure drawn partly under the tape',
    found: 'tape-on-keep',
    plan: planOf(
      { do: 'add-area', area: { id: 'bush', name: 'bush', outline: disc(146, 60, 12) } },
      ...[GREEN, laid('flat-wash', 'bush', 'leaf-green')],
    ),
  },
  {
    does: 'a boat painted while its mask is on',
    found: 'wets-no-paper',
    plan: planOf(
      drawn('sea', 'boat'),
      ...[DEEP, EARTH, doing('mask-on', 'boat'), laid('flat-wash', 'sea', 'deep-blue')],
      ...[laid('flat-wash', 'boat', 'earth'), doing('mask-off', 'boat')],
    ),
  },
  {
    does: 'a sun that was forgotten',
    found: 'never-painted',
    plan: planOf(drawn('sea', 'sun'), ...[BLUE, laid('flat-wash', 'sea', 'sky-blue')]),
  },
  {
    does: 'a colour mixed for nothing',
    found: 'mix-never-used',
    plan: planOf(drawn('sea'), ...[BLUE, ROSE, laid('flat-wash', 'sea', 'sky-blue')]),
  },
];
