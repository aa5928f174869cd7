import type { Stage } from '../../simulation/water';

/** A stage that a wash comes to as it dries. */
type Awaited = Exclude<Stage, 'puddled' | 'dry'>;

/** From when until when something may go into its own wet wash. */
export interface TechniqueWindow {
  readonly from: 'laid' | Awaited;
  /** As the paper comes to that stage; `early-damp`: in the first part of the damp stage. */
  readonly until: Awaited | 'early-damp';
}

/** How a pass comes onto the paper without a brush: in round prints so large, or as the name says. */
export type Laying = 'lift' | 'mist' | 'spatter' | 'salt' | { readonly printsMm: number };

/** A way of laying paint: all that the program knows of it. What is not given is the same for all. */
export interface Technique {
  readonly id: string;
  readonly name: string;
  /** Said as an act: “Wash …”, followed by the areas. */
  readonly act: string;
  /** Mean water laid, µm. */
  readonly filmUm: number;
  /** Paper covered, mm² a second, by a practised hand. */
  readonly coverageMm2S: number;
  /** Paper wanted before it begins. */
  readonly start: 'dry' | 'wet';
  /** Whether it carries pigment. */
  readonly pigment: boolean;
  /** Share of its areas it covers: less than 1 where it leaves the paper showing. */
  readonly covers: number;
  /** How it comes onto the paper if not in strokes of a brush. */
  readonly laid?: Laying;
  /** Said of what goes into its own wet wash; all else wants what it touches dry. */
  readonly window?: TechniqueWindow;
  /** Of a wash that grows weaker the last strokes carry this share of the first one's strength. */
  readonly fadesTo?: number;
  /** It is painted stroke by stroke, not filled evenly. */
  readonly strokes?: true;
  /** Said only of what leaves no water. */
  readonly wets?: false;
  /** It runs on over edges a brush would stop at. */
  readonly flows?: true;
  /** The hand rests on the sheet. */
  readonly rests?: true;
  /** It is meant to be changed by what lies below. */
  readonly showsGround?: true;
  /** It rubs the paper’s surface like so many passes, if not like one. */
  readonly wear?: number;
  readonly advice: string;
}

/** The technique that takes paint up again. */
export const LIFT = 'lift';

/** The technique that draws water to its grains. */
export const SALT = 'salt';

/** The technique that lays what hides what is under it. */
export const OPAQUE = 'opaque';

/** The techniques a pass may use. Water and speeds are our own defaults; each pass may say otherwise. */
export const TECHNIQUES: readonly Technique[] = [
  {
    id: 'pre-wet',
    name: 'pre-wet',
    act: 'Wet',
    filmUm: 60,
    coverageMm2S: 160,
    start: 'dry',
    pigment: false,
    covers: 1,
    flows: true,
    advice: 'Clear water, short of the edge; tilt to find dry patches.',
  },
  {
    id: 'flat-wash',
    name: 'flat wash',
    act: 'Wash',
    filmUm: 80,
    coverageMm2S: 90,
    start: 'dry',
    pigment: true,
    covers: 1,
    advice: 'One way, then leave it alone.',
  },
  {
    id: 'graded-wash',
    name: 'graded wash',
    act: 'Grade',
    filmUm: 80,
    coverageMm2S: 80,
    start: 'dry',
    pigment: true,
    covers: 1,
    flows: true,
    fadesTo: 0.15,
    advice: 'More water with each stroke; keep the bead running.',
  },
  {
    id: 'wet-in-wet',
    name: 'wash into the wet',
    act: 'Float colour into',
    filmUm: 40,
    coverageMm2S: 90,
    start: 'wet',
    pigment: true,
    covers: 1,
    flows: true,
    showsGround: true,
    window: { from: 'laid', until: 'damp' },
    advice: 'While it shines. Less water than is there.',
  },
  {
    id: 'charge',
    name: 'charge',
    act: 'Charge',
    filmUm: 20,
    coverageMm2S: 60,
    start: 'wet',
    pigment: true,
    covers: 1,
    flows: true,
    showsGround: true,
    window: { from: 'laid', until: 'early-damp' },
    advice: 'Pigment in the brush, no more water than is there.',
  },
  {
    id: 'soften',
    name: 'soften an edge',
    act: 'Soften the edge of',
    filmUm: 25,
    coverageMm2S: 60,
    start: 'wet',
    pigment: false,
    covers: 1,
    showsGround: true,
    window: { from: 'laid', until: 'damp' },
    advice: 'A damp brush beside the edge while it shines, then leave it.',
  },
  {
    id: 'second-wet',
    name: 'second wet pass',
    act: 'Go into the damp of',
    filmUm: 30,
    coverageMm2S: 80,
    start: 'wet',
    pigment: true,
    covers: 1,
    showsGround: true,
    window: { from: 'satin', until: 'cool' },
    advice: 'On satin or damp paper, with no more water than is there.',
  },
  {
    id: 'mist',
    name: 'mist',
    act: 'Mist',
    filmUm: 15,
    coverageMm2S: 600,
    start: 'wet',
    pigment: false,
    covers: 1,
    laid: 'mist',
    showsGround: true,
    window: { from: 'laid', until: 'damp' },
    advice: 'From an arm’s length, once over; shield what is to stay dry.',
  },
  {
    id: SALT,
    name: 'salt',
    act: 'Strew salt on',
    filmUm: 1,
    coverageMm2S: 300,
    start: 'wet',
    pigment: false,
    covers: 1,
    laid: 'salt',
    showsGround: true,
    window: { from: 'shiny', until: 'satin' },
    wear: 0,
    wets: false,
    advice: 'While it shines. Then hands off, gentle warmth only, until it is dry.',
  },
  {
    id: 'glaze',
    name: 'glaze',
    act: 'Glaze',
    filmUm: 50,
    coverageMm2S: 80,
    start: 'dry',
    pigment: true,
    covers: 1,
    showsGround: true,
    advice: 'Bone dry below. Once over, do not scrub.',
  },
  {
    id: 'loose-strokes',
    name: 'loose strokes',
    act: 'Paint',
    filmUm: 45,
    coverageMm2S: 40,
    start: 'dry',
    pigment: true,
    covers: 1,
    strokes: true,
    advice: 'Strength may vary; leave broken edges.',
  },
  {
    id: 'dry-brush',
    name: 'dry brush',
    act: 'Drag a dry brush over',
    filmUm: 10,
    coverageMm2S: 50,
    start: 'dry',
    pigment: true,
    covers: 0.5,
    strokes: true,
    advice: 'Little on the brush, wiped once; flat over the grain, no second stroke.',
  },
  {
    id: 'line',
    name: 'line',
    act: 'Draw in paint',
    filmUm: 25,
    coverageMm2S: 12,
    start: 'dry',
    pigment: true,
    covers: 1,
    strokes: true,
    rests: true,
    advice: 'Fine point, paper bone dry.',
  },
  {
    id: 'nib',
    name: 'nib or pen',
    act: 'Touch in with a pen',
    filmUm: 15,
    coverageMm2S: 6,
    start: 'dry',
    pigment: true,
    covers: 1,
    strokes: true,
    rests: true,
    advice: 'Little paint on the nib, a stroke on scrap first; paper bone dry.',
  },
  {
    id: 'spatter',
    name: 'spatter',
    act: 'Spatter',
    filmUm: 40,
    coverageMm2S: 400,
    start: 'dry',
    pigment: true,
    covers: 0.12,
    laid: 'spatter',
    advice: 'Try it on scrap. Cover what must stay clean, the desk and your sleeves too.',
  },
  {
    id: 'print',
    name: 'print',
    act: 'Print on',
    filmUm: 35,
    coverageMm2S: 60,
    start: 'dry',
    pigment: true,
    covers: 0.5,
    // A disc the size of a thumb.
    laid: { printsMm: 9 },
    rests: true,
    advice: 'Paint on disc, ball or stamp, a print on scrap first; press straight down.',
  },
  {
    id: 'sponge',
    name: 'sponge',
    act: 'Dab with a sponge',
    filmUm: 30,
    coverageMm2S: 120,
    start: 'dry',
    pigment: true,
    covers: 0.5,
    laid: { printsMm: 5 },
    advice: 'Wrung out, turned between the dabs; leave paper showing.',
  },
  {
    id: LIFT,
    name: 'lift out',
    act: 'Lift out',
    filmUm: 20,
    coverageMm2S: 6,
    start: 'dry',
    pigment: false,
    covers: 1,
    laid: 'lift',
    rests: true,
    wear: 2,
    advice: 'Bone dry first. Damp brush, loosen, tissue; twice, and no harder than the paper bears.',
  },
  {
    id: OPAQUE,
    name: 'opaque over',
    act: 'Put opaque paint on',
    filmUm: 100,
    coverageMm2S: 20,
    start: 'dry',
    pigment: true,
    covers: 1,
    advice: 'Undiluted; titanium white covers, zinc white does not. A second coat when the first is dry.',
  },
  {
    id: 'metallic',
    name: 'metallic',
    act: 'Lay metal on',
    filmUm: 60,
    coverageMm2S: 15,
    start: 'dry',
    pigment: true,
    covers: 1,
    advice: 'Stirred up, thick enough to close over; it shows from one side only.',
  },
];

/** Finds a technique by id; a plan's schema has already refused unknown ones. */
export const techniqueOf = (id: string): Technique => TECHNIQUES.find((technique) => technique.id === id)!;

/** Water on the brush in painters' words, µm laid on the paper. Our own defaults. */
export const WATER_WORDS: readonly { readonly word: string; readonly filmUm: number }[] = [
  { word: 'a damp brush', filmUm: 20 },
  { word: 'a wet brush', filmUm: 45 },
  { word: 'a loaded brush', filmUm: 80 },
  { word: 'a dripping brush', filmUm: 140 },
  { word: 'flooded', filmUm: 220 },
];

/** The nearest word for a water film, µm. */
export const waterWord = (filmUm: number): string =>
  WATER_WORDS.reduce((a, b) => (Math.abs(b.filmUm - filmUm) < Math.abs(a.filmUm - filmUm) ? b : a)).word;
