import type { Point } from '../../kit/geometry';
import { chance } from '../../kit/units';
import { rimEllipse, type Ellipse } from './eye-level';
import type { Guide } from './guide';

interface Panel {
  readonly widthMm: number;
  readonly heightMm: number;
}

/** Pieces of a circle as it is drawn. */
const ROUND = 72;

/** Half the length of a mark, mm. */
const MARK_MM = 1.5;

/** Lines closer than this are a tint and no grid, mm. */
const FINEST_GRID_MM = 2;

/** A hand wavers with waves about so long, mm. */
const WAVE_MM = 35;

/** The lines of a guide on a panel, each a row of points in mm; a rim that would reach the eye is left out. */
export function guideLines(guide: Guide, { widthMm, heightMm }: Panel): Point[][] {
  const upright = (x: number): Point[] => [
    [x, 0],
    [x, heightMm],
  ];
  const level = (y: number): Point[] => [
    [0, y],
    [widthMm, y],
  ];
  switch (guide.kind) {
    case 'middle':
      return [upright(widthMm / 2), level(heightMm / 2)];
    case 'thirds':
      return [1, 2].flatMap((n) => [upright((n * widthMm) / 3), level((n * heightMm) / 3)]);
    case 'margins':
      return 2 * guide.wideMm < Math.min(widthMm, heightMm) ? [inset(guide.wideMm, widthMm, heightMm)] : [];
    case 'straight':
      return [[guide.from, guide.to]];
    case 'circle':
      return [
        ellipseLine({ centre: guide.centre, halfWidthMm: guide.radiusMm, halfHeightMm: guide.radiusMm }),
      ];
    case 'horizon':
      return [horizon(guide, widthMm)];
    case 'vessel':
      return guide.rims
        .filter(({ radiusMm }) => radiusMm < guide.awayMm)
        .map((rim) => ellipseLine(rimEllipse(guide.axisXMm, rim, guide)));
    case 'even':
      return evenMarks(guide.from, guide.to, guide.marks);
    case 'receding':
      return receding(guide);
    case 'grid':
      return [
        ...steps(Math.max(guide.acrossMm, FINEST_GRID_MM), widthMm).map(upright),
        ...steps(Math.max(guide.downMm, FINEST_GRID_MM), heightMm).map(level),
      ];
  }
}

const ellipseLine = ({ centre: [x, y], halfWidthMm, halfHeightMm }: Ellipse): Point[] =>
  Array.from({ length: ROUND + 1 }, (_, i) => {
    const a = (2 * Math.PI * i) / ROUND;
    return [x + halfWidthMm * Math.cos(a), y + halfHeightMm * Math.sin(a)];
  });

function inset(mm: number, width: number, height: number): Point[] {
  const [right, bottom] = [width - mm, height - mm];
  return [
    [mm, mm],
    [right, mm],
    [right, bottom],
    [mm, bottom],
    [mm, mm],
  ];
}

const steps = (step: number, most: number): number[] =>
  Array.from({ length: Math.max(0, Math.ceil(most / step) - 1) }, (_, i) => (i + 1) * step);

function evenMarks(from: Point, to: Point, marks: number): Point[][] {
  const [dx, dy] = [to[0] - from[0], to[1] - from[1]];
  const length = Math.hypot(dx, dy) || 1;
  const [across, down] = [(-dy / length) * MARK_MM, (dx / length) * MARK_MM];
  return Array.from({ length: marks }, (_, i) => {
    const t = i / (marks - 1);
    const [x, y] = [from[0] + t * dx, from[1] + t * dy];
    return [
      [x - across, y - down],
      [x + across, y + down],
    ];
  });
}

/**
 * Uprights of one real height at even real distances, by the perspective of level ground: at 1 + i·every times the first
 * one’s distance all lengths are seen so many times shorter, towards the place where they vanish (Alberti 1435). The lines
 * of their feet and heads come first.
 */
function receding({ foot, highMm, towards, every, count }: Extract<Guide, { kind: 'receding' }>): Point[][] {
  const uprights = Array.from({ length: count }, (_, i): [Point, Point] => {
    const nearer = 1 / (1 + i * every);
    const x = towards[0] + (foot[0] - towards[0]) * nearer;
    const y = towards[1] + (foot[1] - towards[1]) * nearer;
    return [
      [x, y],
      [x, y - highMm * nearer],
    ];
  });
  const [[firstFoot, firstHead]] = uprights;
  return [[firstFoot, towards], [firstHead, towards], ...uprights];
}

/** A level line as a steady hand draws it: three waves of chance lengths and turns, together at most the waver. */
function horizon({ yMm, waverMm, seed }: Extract<Guide, { kind: 'horizon' }>, width: number): Point[] {
  const random = chance(seed);
  const waves = Array.from({ length: 3 }, () => ({
    length: WAVE_MM * (0.6 + 1.4 * random()),
    turn: 2 * Math.PI * random(),
  }));
  const pieces = Math.max(2, Math.ceil(width / 2));
  return Array.from({ length: pieces + 1 }, (_, i) => {
    const x = (i * width) / pieces;
    const off = waves.reduce((sum, { length, turn }) => sum + Math.sin((2 * Math.PI * x) / length + turn), 0);
    return [x, yMm + (waverMm * off) / waves.length];
  });
}
