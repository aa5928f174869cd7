import { describe, expect, it } from 'vitest';
import { rectangle, type Point, type Polygon } from '../../kit/geometry';
import { PAPERS } from '../../materials/paper';
import {
  addArea,
  addMix,
  addPass,
  smallPlan,
  applyCommands,
  type Command,
  type Plan,
  type White,
} from '../../document/plan';
import { rankWays, whiteFacts } from '.';

interface Case {
  readonly white: string;
  /** Outlines of all such whites; the first is asked for. */
  readonly shapes: readonly Polygon[];
  readonly first: White['way'];
  readonly never: White['way'];
  readonly technique?: string;
  readonly pigment?: string;
  readonly wantedL?: number;
  readonly soft?: boolean;
  readonly sizing?: number;
  readonly nights?: number;
  readonly house?: Plan['rules']['whites'];
  readonly uncrossed?: boolean;
}

const disc = (diameter: number, x = 70, y = 50): Polygon => [
  Array.from({ length: 90 }, (_, i): Point => {
    const turn = (Math.PI * i) / 45;
    return [x + (diameter / 2) * Math.cos(turn), y + (diameter / 2) * Math.sin(turn)];
  }),
];
const row = (count: number, width: number, height: number): Polygon[] =>
  Array.from({ length: count }, (_, i) =>
    rectangle(2 + (i % 24) * 6, 5 + Math.floor(i / 24) * (height + 3), width, height),
  );
const dots = (count: number, diameter: number): Polygon[] =>
  Array.from({ length: count }, (_, i) => disc(diameter, 5 + (i % 20) * 7, 20 + Math.floor(i / 20) * 10));
/** A cross of strokes, as letters are: edge for its size. */
const letters = (count: number, high: number, stroke: number): Polygon[] =>
  Array.from({ length: count }, (_, i): Polygon => {
    const [x, y, half] = [8 + i * 20, 20, high / 2];
    const [a, b] = [half - stroke / 2, half + stroke / 2];
    return [
      [
        [x + a, y],
        [x + b, y],
        [x + b, y + a],
        [x + high, y + a],
        [x + high, y + b],
        [x + b, y + b],
        [x + b, y + high],
        [x + a, y + high],
        [x + a, y + b],
        [x, y + b],
        [x, y + a],
        [x + a, y + a],
      ],
    ];
  });
const sail: Polygon = [
  [
    [40, 10],
    [80, 70],
    [40, 70],
  ],
];

/** As they stand in docs/whites.md. */
const CASES: readonly Case[] = [
  { white: 'a sail of 12 cm²', shapes: [sail], first: 'paint-round', never: 'mask' },
  { white: 'a rectangle of 7 cm²', shapes: [rectangle(20, 20, 35, 20)], first: 'paint-round', never: 'mask' },
  {
    white: 'a wisp of steam',
    shapes: [rectangle(30, 20, 60, 4)],
    technique: 'wet-in-wet',
    ...{ first: 'mask', never: 'bare' },
  },
  { white: 'six letters 12 mm high', shapes: letters(6, 12, 2), first: 'mask', never: 'lift' },
  { white: 'six letters 4 mm high', shapes: letters(6, 4, 0.25), first: 'opaque', never: 'mask' },
  {
    white: 'twelve stars under a graded wash',
    shapes: dots(12, 3),
    technique: 'graded-wash',
    ...{ first: 'mask', never: 'paint-round' },
  },
  { white: 'forty specks', shapes: dots(40, 0.8), first: 'mask', never: 'paint-round' },
  {
    white: 'forty specks in a house of opaque white',
    shapes: dots(40, 0.8),
    house: 'opaque',
    ...{ first: 'opaque', never: 'mask' },
  },
  { white: 'one highlight', shapes: [disc(1.5)], first: 'opaque', never: 'paint-round' },
  { white: 'a moon', shapes: [disc(20)], first: 'paint-round', never: 'lift' },
  {
    white: 'the moon under a wet-in-wet wash',
    shapes: [disc(20)],
    technique: 'wet-in-wet',
    ...{ first: 'mask', never: 'paint-round' },
  },
  {
    white: 'a rectangle nothing crosses',
    shapes: [rectangle(20, 20, 35, 20)],
    uncrossed: true,
    ...{ first: 'bare', never: 'mask' },
  },
  {
    white: 'a soft cloud',
    shapes: [rectangle(20, 20, 50, 20)],
    soft: true,
    wantedL: 80,
    ...{ first: 'lift', never: 'mask' },
  },
  {
    white: 'the cloud under phthalo blue',
    shapes: [rectangle(20, 20, 50, 20)],
    soft: true,
    wantedL: 80,
    pigment: 'PB15:3',
    ...{ first: 'paint-round', never: 'lift' },
  },
  {
    white: 'a glow',
    shapes: [disc(16)],
    soft: true,
    wantedL: 78,
    ...{ first: 'lift', never: 'opaque' },
  },
  { white: 'twenty pickets', shapes: row(20, 1.2, 15), first: 'mask', never: 'paint-round' },
  {
    white: 'the pickets on weak paper',
    shapes: row(20, 1.2, 15),
    sizing: 0.3,
    ...{ first: 'paint-round', never: 'mask' },
  },
  {
    white: 'the sail on weak paper',
    shapes: [sail],
    sizing: 0.3,
    ...{ first: 'paint-round', never: 'mask' },
  },
  {
    white: 'four ropes over two nights',
    shapes: row(4, 1.5, 90),
    nights: 2,
    ...{ first: 'permanent-line', never: 'mask' },
  },
  {
    white: 'twenty pickets over two nights',
    shapes: row(20, 1.2, 15),
    nights: 2,
    ...{ first: 'paint-round', never: 'mask' },
  },
  { white: 'a window', shapes: [rectangle(20, 20, 60, 40)], first: 'paint-round', never: 'mask' },
  { white: 'six stays', shapes: row(6, 0.35, 80), first: 'mask', never: 'lift' },
  {
    white: 'snow under a wet-in-wet wash',
    shapes: [rectangle(20, 20, 75, 40)],
    technique: 'wet-in-wet',
    ...{ first: 'paint-round', never: 'mask' },
  },
  {
    white: 'a bloom of light on an apple',
    shapes: [disc(8.74)],
    soft: true,
    wantedL: 78,
    ...{ first: 'lift', never: 'mask' },
  },
];

/** A panel with the whites of a case, and a wash that crosses them. */
function planOf({ shapes, technique, pigment, wantedL, soft, sizing, house, uncrossed }: Case): Plan {
  const plan = smallPlan(
    addArea('ground', uncrossed ? rectangle(0, 95, 148, 5) : rectangle(0, 0, 148, 100)),
    addMix('wash', 0.15, pigment ?? 'PB29'),
    addPass('wash', 'ground', 'wash', { technique: technique ?? 'flat-wash' }),
    ...shapes.flatMap((outline, i): Command[] => [
      { do: 'add-area', area: { id: `w${i}`, name: `w${i}`, outline } },
      {
        do: 'keep-white',
        white: {
          ...{ id: `white-w${i}`, area: `w${i}`, way: 'bare', tool: null },
          wanted: wantedL === undefined ? null : [wantedL, 0, 0],
          edge: soft ? 'soft' : 'hard',
        },
      },
    ]),
    { do: 'set-rules', change: { whites: house ?? 'mask' } },
  );
  return sizing === undefined
    ? plan
    : applyCommands(plan, [{ do: 'choose-paper', paper: { ...PAPERS[0], sizing } }]).plan;
}

describe('the twenty-four worked cases', () => {
  it('are twenty-four', () => expect(CASES).toHaveLength(24));

  it.each(CASES.map((one, i) => [i + 1, one.white, one] as const))('%i: %s', (_, __, one) => {
    const plan = planOf(one);
    const facts = whiteFacts(plan, 'w0', plan.whites[0], one.nights ? one.nights * 86_400 : null);
    const ways = rankWays(facts);
    const told = JSON.stringify(ways.map(({ way, score, reasons }) => [way, score, reasons]));
    expect(ways[0].way, told).toBe(one.first);
    expect(ways[0].way, told).not.toBe(one.never);
    expect(ways[0].score, told).toBeGreaterThan(ways[1].score);
    expect(ways.find(({ way }) => way === one.never)!.score, told).toBeLessThan(ways[0].score - 5);
    expect(ways.every(({ score, reasons }) => score >= 0 && score <= 100 && reasons.length > 0)).toBe(true);
  });
});

describe('what a way is judged by', () => {
  const facts = (one: Partial<Case>) => {
    const plan = planOf({ white: '', first: 'bare', never: 'bare', shapes: [disc(20)], ...one });
    return whiteFacts(plan, 'w0', plan.whites[0]);
  };

  it('is measured: size, edge, inscribed circle, likes, what crosses', () => {
    const moon = facts({});
    expect(moon.cm2).toBeCloseTo(Math.PI, 1);
    expect(moon.inscribedMm / 20).toBeCloseTo(1, 2);
    expect(moon.narrowestMm / 20).toBeCloseTo(1, 1);
    expect([moon.parts, moon.crossings, moon.flows]).toEqual([1, 1, false]);
    expect(facts({ shapes: dots(12, 3) }).parts).toBe(12);
    expect(facts({ technique: 'graded-wash' }).flows).toBe(true);
    expect(facts({ uncrossed: true }).crossings).toBe(0);
  });

  it('follows paint and paper: staining lifts less far, a second coat is needed over the dark', () => {
    expect(facts({ pigment: 'PB15:3' }).liftedL).toBeLessThan(facts({}).liftedL - 10);
    expect(facts({}).wantedL).toBeGreaterThan(90);
    expect(facts({ wantedL: 60 }).wantedL).toBe(60);
    expect(facts({}).coats).not.toBeNull();
  });
});
