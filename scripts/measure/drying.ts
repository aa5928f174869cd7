import { CLIMATES_BY_FEEL } from '@kettle/core/materials/climate';
import { PAPERS } from '@kettle/core/materials/paper';
import { dry, evaporationRate, maskSetting, type StageEnds } from '@kettle/core/simulation/water';

const FILMS_UM = [20, 45, 80, 140, 200, 220];

const times = (stages: StageEnds): number[] => Object.values(stages) as number[];

/** Drying of every paper in every room, the largest move of a time under step halving, and the worst water balance. */
export function measureDrying(): object {
  let halving = 0;
  let balance = 0;
  const table = PAPERS.flatMap((paper) =>
    CLIMATES_BY_FEEL.flatMap(({ id: climateId, tempC, rh, airMs }) =>
      FILMS_UM.map((filmUm) => {
        const wash = { paper, filmUm, climate: { tempC, rh, airMs } };
        const course = dry(wash);
        const halved = times(dry(wash, 0.5).stages);
        times(course.stages).forEach((at, i) => {
          if (at > 0) halving = Math.max(halving, Math.abs(halved[i] / at - 1));
        });
        course.filmUm.forEach((film, i) => {
          balance = Math.max(
            balance,
            Math.abs(film + course.paperGm2[i] + course.evaporatedGm2[i] - filmUm) / filmUm,
          );
        });
        const { satinEndS, coolEndS } = course.stages;
        return {
          paper: paper.id,
          climate: climateId,
          filmUm,
          sheenGoneMin: minutes(satinEndS),
          dryMin: minutes(coolEndS),
        };
      }),
    ),
  );
  return {
    evaporationOrdinaryKgM2H: (evaporationRate({ tempC: 20, rh: 0.5, airMs: 0 }) * 3600) / 1000,
    maskSetOrdinaryMin: minutes(maskSetting({ tempC: 20, rh: 0.5, airMs: 0 }).setS),
    largestMoveUnderStepHalving: halving,
    worstWaterBalance: balance,
    table,
  };
}

const minutes = (s: number | null): number | null => (s === null ? null : Math.round((s / 60) * 100) / 100);
