import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { paperById } from '../../materials/paper';
import {
  absorptionRate,
  dampCreep,
  dry,
  evaporationRate,
  lineParameters,
  maskSetting,
  plainLineKernel,
  stageOf,
  waterAt,
  wetLook,
  type StageEnds,
} from '.';

const paper = paperById('cotton-cold-300');
const ORDINARY = { tempC: 20, rh: 0.5, airMs: 0 };
const MINUTE = 60;
const wash = (filmUm: number, climate = ORDINARY) => ({ paper, filmUm, climate });
const ends = (stages: StageEnds): (number | null)[] => [
  stages.puddledEndS,
  stages.shinyEndS,
  stages.satinEndS,
  stages.dampEndS,
  stages.coolEndS,
];

describe('evaporation', () => {
  it('is 0.153 kg/m²h in an ordinary still room', () =>
    expect((evaporationRate(ORDINARY) * 3600) / 1000).toBeCloseTo(0.153, 3));

  it('stops in saturated air', () => expect(evaporationRate({ ...ORDINARY, rh: 1 })).toBe(0));

  it('is never negative', () =>
    expect(
      evaporationRate({ tempC: 30, rh: 1, airMs: 2 }, { airMs: 5, airTempC: 12 }),
    ).toBeGreaterThanOrEqual(0));

  it('is many times faster under a dryer', () => {
    const ratio = evaporationRate(ORDINARY, { airMs: 5, airTempC: 60 }) / evaporationRate(ORDINARY);
    expect(ratio).toBeGreaterThan(8);
    expect(ratio).toBeLessThan(25);
  });
});

it('uptake gives the Cobb-60 of sized cotton', () => {
  let s = 0;
  for (let t = 0; t < 60; t += 0.01) s += absorptionRate(paper, s) * 0.01;
  expect(s).toBeGreaterThan(54);
  expect(s).toBeLessThan(62);
});

describe('a wash on 300 g/m² cotton at 20 °C, 50 %, still', () => {
  it.each([
    [80, 1, 3, 15, 30],
    [200, 6, 15, 45, 80],
  ])('of %d µm', (film, sheenFrom, sheenTo, dryFrom, dryTo) => {
    const { satinEndS, coolEndS } = dry(wash(film)).stages;
    expect(satinEndS! / MINUTE).toBeGreaterThan(sheenFrom);
    expect(satinEndS! / MINUTE).toBeLessThan(sheenTo);
    expect(coolEndS! / MINUTE).toBeGreaterThan(dryFrom);
    expect(coolEndS! / MINUTE).toBeLessThan(dryTo);
  });

  it('dries as the falling rate says once it is damp: ln(45/25)·τ when both lie below the bend', () => {
    const { dampEndS, coolEndS } = dry(wash(80)).stages;
    const bend = 0.16 * paper.capacityGm2;
    const rate = evaporationRate(ORDINARY);
    const theory = (45 - bend) / rate + (bend / rate) * Math.log(bend / 25);
    expect(coolEndS! - dampEndS!).toBeCloseTo(theory, 0);
  });
});

describe('any wash', () => {
  const anyWash = fc.record({
    filmUm: fc.double({ min: 1, max: 400, noNaN: true }),
    tempC: fc.double({ min: 8, max: 35, noNaN: true }),
    rh: fc.double({ min: 0.1, max: 0.95, noNaN: true }),
    airMs: fc.double({ min: 0, max: 3, noNaN: true }),
    start: fc.double({ min: 0, max: 100, noNaN: true }),
  });

  it('accounts for its water to 1e-6, stages in order, and halving the step moves nothing by 1 %', () => {
    fc.assert(
      fc.property(anyWash, ({ filmUm, start, ...climate }) => {
        const given = { paper, filmUm, paperWaterGm2: start, climate };
        const course = dry(given);
        const half = dry(given, 0.5);
        course.filmUm.forEach((film, i) => {
          const total = film + course.paperGm2[i] + course.evaporatedGm2[i];
          expect(Math.abs(total - filmUm - start)).toBeLessThan(1e-6 * (filmUm + start));
          expect(film).toBeGreaterThanOrEqual(0);
        });
        const times = ends(course.stages) as number[];
        times.forEach((at, i) => {
          if (i > 0) expect(at).toBeGreaterThanOrEqual(times[i - 1]);
          expect(Math.abs(at - ends(half.stages)[i]!)).toBeLessThanOrEqual(0.01 * Math.max(at, 0.1));
        });
      }),
      { numRuns: 60 },
    );
  });

  it('takes longer in humid, cold or more water, less in moving air and under a dryer', () => {
    const time = (given: Parameters<typeof dry>[0]): number => dry(given).stages.coolEndS!;
    const ordinary = time(wash(80));
    expect(time(wash(80, { ...ORDINARY, rh: 0.75 }))).toBeGreaterThan(ordinary);
    expect(time(wash(80, { ...ORDINARY, tempC: 12 }))).toBeGreaterThan(ordinary);
    expect(time(wash(120))).toBeGreaterThan(ordinary);
    expect(time(wash(80, { ...ORDINARY, airMs: 0.5 }))).toBeLessThan(ordinary);
    const heated = time({ ...wash(80), heatTool: { airMs: 5, airTempC: 60, fromS: 0 } });
    const brief = time({ ...wash(80), heatTool: { airMs: 5, airTempC: 60, fromS: 200, seconds: 60 } });
    expect(heated).toBeLessThan(brief);
    expect(brief).toBeLessThan(ordinary);
  });

  it('never dries in saturated air, though its film still sinks in', () => {
    const { stages } = dry(wash(80, { ...ORDINARY, rh: 1 }));
    expect(stages.satinEndS).toBeGreaterThan(0);
    expect(stages.dampEndS).toBeNull();
    expect(stages.coolEndS).toBeNull();
    const flooded = dry(wash(400, { ...ORDINARY, rh: 1 })).stages;
    expect(flooded.puddledEndS).toBeNull();
  });

  it('in air a breath below saturation is given up as never, at once', () => {
    const begun = performance.now();
    for (const rh of [0.999999, 0.9999999999, 1 - Number.EPSILON])
      for (const filmUm of [20, 80, 400])
        expect(dry(wash(filmUm, { ...ORDINARY, rh })).stages.coolEndS, `${filmUm} at ${rh}`).toSatisfy(
          (s) => s === null || filmUm === 20,
        );
    expect(performance.now() - begun).toBeLessThan(3000);
  });

  it('a stage never entered ends with the one before', () => {
    const { stages } = dry(wash(30));
    expect(stages.puddledEndS).toBe(0);
    expect(stages.dampEndS).toBe(stages.satinEndS);
    expect(ends(dry({ paper, filmUm: 0, climate: ORDINARY }).stages)).toEqual([0, 0, 0, 0, 0]);
  });
});

it('reads the water between steps, and paper that is dry to the touch goes on drying', () => {
  const course = dry(wash(80));
  expect(waterAt(course, 0)).toEqual({ filmUm: 80, paperGm2: 0 });
  const { filmUm, paperGm2 } = waterAt(course, course.stages.dampEndS!);
  expect(filmUm).toBe(0);
  expect(paperGm2).toBeCloseTo(45, 1);
  const { coolEndS } = course.stages;
  expect(waterAt(course, coolEndS!).paperGm2).toBeCloseTo(25, 1);
  // Below its falling rate a sheet loses e-fold in 0.16·capacity over the free rate.
  const foldS = (0.16 * paper.capacityGm2) / evaporationRate(ORDINARY);
  expect(waterAt(course, coolEndS! + foldS).paperGm2).toBeCloseTo(25 / Math.E, 1);
});

it('keeps the water of a sheet in air that takes none', () => {
  const course = dry(wash(20, { ...ORDINARY, rh: 1 }));
  expect(waterAt(course, 1e6)).toEqual(waterAt(course, 1e5));
  expect(waterAt(course, 1e6).paperGm2).toBeCloseTo(20, 3);
});

describe('stages', () => {
  it.each([
    [120, 50, 'puddled'],
    [80, 50, 'shiny'],
    [8, 50, 'satin'],
    [0, 46, 'damp'],
    [0, 45, 'cool'],
    [0, 25, 'dry'],
  ] as const)('film %d µm, paper %d g/m² is %s', (film, s, stage) => expect(stageOf(film, s)).toBe(stage));

  it('looks wet under a film and pales as the paper gives it up', () => {
    expect(wetLook(5, 0)).toBe(1);
    expect(wetLook(0, 40)).toBeCloseTo(0.5, 9);
    expect(wetLook(0, 5)).toBe(0);
  });
});

describe('masking fluid', () => {
  it('sets in about five minutes in an ordinary room, later when muggy, never in saturated air', () => {
    const { tackyS, setS } = maskSetting(ORDINARY);
    expect(setS! / MINUTE).toBeGreaterThan(4);
    expect(setS! / MINUTE).toBeLessThan(7);
    expect(tackyS!).toBeLessThan(setS!);
    expect(maskSetting({ tempC: 26, rh: 0.8, airMs: 0 }).setS).toBeGreaterThan(setS!);
    expect(maskSetting({ ...ORDINARY, rh: 1 }).setS).toBeNull();
    // Within a breath of saturation it would take longer than anybody waits.
    expect(maskSetting({ ...ORDINARY, rh: 0.99999999 }).setS).toBeNull();
  });
});

describe('creep past the edge of a wash', () => {
  const still = { ...ORDINARY, rh: 1 };

  it('keeps its water in closed, saturated air', () => {
    const film = new Float64Array(60).fill(50, 0, 30);
    const water = new Float64Array(60);
    plainLineKernel.advance(film, water, lineParameters(paper, still, 0.5), 2000);
    const held = film.reduce((a, b) => a + b, 0) + water.reduce((a, b) => a + b, 0);
    expect(Math.abs(held / (50 * 30) - 1)).toBeLessThan(1e-9);
  });

  it('follows the self-similar spread of ∂s/∂t = (D s³)ₓₓ (Barenblatt 1952): the front goes as t^(1/5)', () => {
    const parameters = { ...lineParameters(paper, still, 0.5), creepMm2S: 3 };
    const spread = (seconds: number): number => {
      const water = new Float64Array(401);
      water[200] = 4000;
      plainLineKernel.advance(new Float64Array(401), water, parameters, seconds / 0.5);
      const total = water.reduce((a, b) => a + b, 0);
      return Math.sqrt(water.reduce((sum, s, i) => sum + s * (i - 200) ** 2, 0) / total);
    };
    const exponent = Math.log(spread(4000) / spread(1000)) / Math.log(4);
    expect(exponent).toBeGreaterThan(0.19);
    expect(exponent).toBeLessThan(0.21);
  });

  it('goes further the wetter the wash', () => {
    const reach = [30, 80, 200].map((film) => dampCreep(paper, film, ORDINARY));
    expect(reach[1]).toBeGreaterThanOrEqual(reach[0]);
    expect(reach[2]).toBeGreaterThan(reach[1]);
    expect(reach[2]).toBeLessThan(5);
  });
});
