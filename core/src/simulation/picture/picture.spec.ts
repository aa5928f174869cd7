import { describe, expect, it } from 'vitest';
import { plainPaintKernel } from '../../materials/pigment';
import { LIGHT_OF_BYTE } from '../../kit/colour';
import { done } from '../../kit/units';
import { plainPanelKernel, Replay, simulationSchema, type PanelAct } from '../water';
import { fieldOf, depthAt, unitedFields, fieldWithout } from './outline-field';
import { KeptPicture } from './kept-picture';
import { PaperPicture } from './paper-picture';
import { pictureOf } from './picture';

const SHEET = { widthMm: 24, heightMm: 16 };

/** A small sheet on which something was done, as it is when all has dried. */
function painted(
  acts: readonly object[],
  more: { cellMm?: number; paper?: string; stopS?: number } = {},
): Replay {
  const { cellMm = 0.5, paper = 'cotton-cold-300', stopS = 1500 } = more;
  const replay = new Replay(
    simulationSchema.parse({
      ...{ ...SHEET, cellMm, paper, acts, seed: 5, stopS, probes: [] },
      climate: { tempC: 22, rh: 0.4, airMs: 0.5 },
    }),
    plainPanelKernel,
    1e7,
  );
  done(replay.goTo(stopS));
  return replay;
}

const wash = (shape: object, pigment = 'PR122', gm2 = 1, atS = 1): PanelAct =>
  ({ kind: 'wash', atS, shape, filmUm: 60, pigments: [{ pigment, gm2 }] }) as unknown as PanelAct;
const DISC = { circle: [12, 8, 5.2] };

describe('the field of an outline', () => {
  it('tells how deep a place lies, as geometry does', () => {
    const disc = fieldOf({ circle: [12, 8, 5] }, SHEET)!;
    const box = fieldOf(
      {
        polygon: [
          [4, 4],
          [14, 4],
          [14, 12],
          [4, 12],
        ],
      },
      SHEET,
    )!;
    for (const [x, y] of [
      [12, 8],
      [16.6, 8.4],
      [12.2, 13.3],
      [4.4, 8],
      [13.6, 11.5],
    ]) {
      const within = (deep: number): number => Math.max(-1.5, Math.min(1.5, deep));
      expect(depthAt(disc, x, y)).toBeCloseTo(within(5 - Math.hypot(x - 12, y - 8)), 1);
      expect(depthAt(box, x, y)).toBeCloseTo(within(Math.min(x - 4, 14 - x, y - 4, 12 - y)), 1);
    }
  });

  it('has no edge where a ring goes into a hole and back', () => {
    const ring = [
      [2, 2],
      [20, 2],
      [20, 14],
      [2, 14],
      [2, 2],
      [8, 6],
      [8, 10],
      [12, 10],
      [12, 6],
      [8, 6],
      [2, 2],
    ];
    const field = fieldOf({ polygon: ring as unknown as [number, number][] }, SHEET)!;
    expect(depthAt(field, 5, 4)).toBeGreaterThan(1.4);
    expect(depthAt(field, 10, 8)).toBeLessThan(-1.4);
    expect(depthAt(field, 7, 8)).toBeCloseTo(1, 1);
  });

  it('of two shapes is that of their union; of one without another that of what is left', () => {
    const [one, other] = [fieldOf({ circle: [8, 8, 4] }, SHEET)!, fieldOf({ circle: [13, 8, 4] }, SHEET)!];
    const both = unitedFields(one, other);
    expect(depthAt(both, 10.5, 8)).toBeGreaterThan(1.4);
    expect(depthAt(both, 16.5, 8)).toBeCloseTo(0.5, 1);
    const left = fieldWithout(one, other);
    expect(depthAt(left, 10.5, 8)).toBeLessThan(0);
    expect(depthAt(left, 5, 8)).toBeCloseTo(1, 1);
  });
});

describe('the picture of a sheet', () => {
  const total = (picture: PaperPicture, pxPerMm: number, species: number): number =>
    done(picture.loads(picture.whole(pxPerMm), species)).reduce((sum, gm2) => sum + gm2, 0) / pxPerMm ** 2;

  it.each([
    ['a disc', [wash(DISC)]],
    [
      'a wash over half another',
      [wash({ rect: [3, 3, 18, 10] }), wash({ rect: [10, 3, 11, 10] }, 'PB29', 1, 1200)],
    ],
    [
      'a masked ring',
      [{ kind: 'mask', atS: 0, shape: { circle: [12, 8, 2.4] } }, wash({ rect: [2, 2, 20, 12] })],
    ],
  ])('holds as much of each pigment as the cells do: %s', (_, acts) => {
    const replay = painted(acts, { stopS: 2600 });
    const { panel, pigments } = replay.run;
    const picture = new PaperPicture(replay, plainPaintKernel);
    pigments.forEach((_pigment, species) => {
      let held = 0;
      for (let cell = 0; cell < panel.cells; cell++)
        held += panel.suspended[species * panel.cells + cell] + panel.deposited[species * panel.cells + cell];
      expect(total(picture, 8, species) / (held * panel.cellMm ** 2)).toBeCloseTo(1, 2);
    });
  });

  it('is as sharp as the outline, whatever the cells: on dry paper within 0.15 mm', () => {
    for (const cellMm of [0.5, 1]) {
      const replay = painted([wash(DISC)], { cellMm });
      const picture = new PaperPicture(replay, plainPaintKernel);
      const box = picture.whole(8);
      const loads = done(picture.loads(box, 0));
      const inside = loads[8 * 8 * box.columns + 12 * 8];
      for (let row = 0; row < box.rows; row++)
        for (let column = 0; column < box.columns; column++) {
          const beyond = Math.hypot((column + 0.5) / 8 - 12, (row + 0.5) / 8 - 8) - 5.2;
          const load = loads[row * box.columns + column];
          if (beyond > 0.15) expect(load).toBeLessThan(0.3 * inside);
          if (beyond < -0.15) expect(load).toBeGreaterThan(0.3 * inside);
        }
    }
  });

  it('has its darkest line along the edge, and not a cell inside', () => {
    for (const filmUm of [60, 100, 140]) {
      const replay = painted([{ ...wash({ rect: [4.1, -2, 13.2, 20] }), filmUm }], {
        paper: 'cotton-hot-300',
      });
      const picture = new PaperPicture(replay, plainPaintKernel);
      const box = picture.whole(8);
      const loads = done(picture.loads(box, 0));
      /** Mean along the edge, so far inside it. */
      const along = (mm: number): number => {
        let sum = 0;
        for (let row = 24; row < 104; row++) sum += loads[row * box.columns + Math.floor((17.3 - mm) * 8)];
        return sum / 80;
      };
      const inner = (along(3) + along(4) + along(5)) / 3;
      const peak = Math.max(along(0.1), along(0.2)) / inner;
      expect(peak, `${filmUm} µm`).toBeGreaterThan(1.4);
      expect(peak, `${filmUm} µm`).toBeLessThan(2.2);
      const halfway = 1 + (peak - 1) / 2;
      expect(along(0.5) / inner, `${filmUm} µm`).toBeLessThan(halfway);
    }
  });

  it('grains what granulates and hardly what is smooth, finer than its cells', () => {
    const variation = (pigment: string, paper: string): number => {
      const replay = painted([wash({ rect: [-1, -1, 26, 18] }, pigment)], { paper });
      const picture = new PaperPicture(replay, plainPaintKernel);
      const loads = done(
        picture.loads({ ...picture.whole(8), left: 40, top: 40, columns: 100, rows: 50 }, 0),
      );
      const mean = loads.reduce((sum, gm2) => sum + gm2, 0) / loads.length;
      return Math.sqrt(loads.reduce((sum, gm2) => sum + (gm2 - mean) ** 2, 0) / loads.length) / mean;
    };
    const [hot, cold, rough] = ['hot', 'cold', 'rough'].map((kind) =>
      variation('PB29', `cotton-${kind}-300`),
    );
    expect(hot).toBeLessThan(cold);
    expect(cold).toBeLessThan(rough);
    expect(variation('PR122', 'cotton-cold-300')).toBeLessThan(0.4 * cold);
  });

  it('of a part is that part of the picture of the whole', () => {
    const replay = painted([wash(DISC)], { stopS: 40 });
    const picture = new PaperPicture(replay, plainPaintKernel);
    const whole = picture.whole(4);
    const all = picture.colour(whole);
    const part = { ...whole, left: 40, top: 16, columns: 24, rows: 20 };
    const some = picture.colour(part);
    let worst = 0;
    for (let row = 0; row < part.rows; row++)
      for (let i = 0; i < 4 * part.columns; i++)
        worst = Math.max(
          worst,
          Math.abs(
            some[4 * row * part.columns + i] - all[4 * ((row + part.top) * whole.columns + part.left) + i],
          ),
        );
    expect(worst).toBeLessThanOrEqual(3);
  });

  it('drawn again is what it would be drawn anew, step by step', () => {
    const acts = [
      wash({ rect: [2, 2, 9, 12] }),
      wash({ rect: [13, 2, 9, 6] }, 'PB29', 1, 700),
      wash({ circle: [8, 8, 3] }, 'PB29', 1, 1500),
    ];
    const replay = painted(acts, { stopS: 5 });
    const kept = new KeptPicture(new PaperPicture(replay, plainPaintKernel));
    for (const atS of [5, 40, 650, 705, 1400, 1501, 2600]) {
      done(replay.goTo(atS));
      const again = done(kept.now(4));
      const fresh = new PaperPicture(replay, plainPaintKernel);
      const anew = fresh.colour(fresh.whole(4));
      let worst = 0;
      for (let i = 0; i < anew.length; i++) worst = Math.max(worst, Math.abs(anew[i] - again[i]));
      expect(worst, `at ${atS} s`).toBeLessThanOrEqual(4);
    }
  });

  it('shines where a film stands, is darker wet than dry, and in greys has no colour', () => {
    const wet = painted([wash({ rect: [-1, -1, 26, 18] })], { stopS: 60 });
    const light = (rgba: Uint8ClampedArray, pixel: number): number =>
      [0, 1, 2].reduce((sum, i) => sum + LIGHT_OF_BYTE[rgba[4 * pixel + i]], 0);
    const [now, dry, value] = (['now', 'dry', 'value'] as const).map((look) =>
      pictureOf(wet, plainPaintKernel, { pxPerMm: 4, look }),
    );
    const far = now.columns * (now.rows - 4) + now.columns - 4;
    expect(light(now.rgba, far)).toBeLessThan(light(dry.rgba, far));
    const mirrored = now.columns * 10 + 20;
    expect(light(now.rgba, mirrored)).toBeGreaterThan(light(now.rgba, far));
    for (let pixel = 0; pixel < 40; pixel++)
      expect(new Set(value.rgba.slice(4 * pixel, 4 * pixel + 3)).size).toBe(1);
  });

  it('shows what lies under mask, with its exact outline', () => {
    const replay = painted([{ kind: 'mask', atS: 0, shape: { circle: [12, 8, 3] } }], { stopS: 10 });
    const picture = new PaperPicture(replay, plainPaintKernel);
    const box = picture.whole(8);
    const [bare, masked] = [picture.colour(box, 'dry'), picture.colour(box, 'dry', true)];
    for (let row = 0; row < box.rows; row++)
      for (let column = 0; column < box.columns; column++) {
        const at = 4 * (row * box.columns + column);
        const beyond = Math.hypot((column + 0.5) / 8 - 12, (row + 0.5) / 8 - 8) - 3;
        if (beyond > 0.15) expect(masked[at]).toBe(bare[at]);
        if (beyond < -0.15) expect(masked[at]).not.toBe(bare[at]);
      }
  });
});
