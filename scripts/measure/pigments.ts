import {
  chromaOf,
  deltaE00,
  EIGHT_BANDS,
  TWELVE_BANDS,
  type BandSet,
  type Lab,
} from '@kettle/core/kit/colour';
import { PAPERS, paperById } from '@kettle/core/materials/paper';
import {
  filmColourist,
  glazeLab,
  groundOf,
  infiniteLayer,
  layerLight,
  matchIn,
  mixTable,
  pigmentByCode,
  PIGMENTS,
  type Mix,
} from '@kettle/core/materials/pigment';
import { done } from '@kettle/core/kit/units';
import { type Measured } from './limits';
import { mean, quantile, randomFrom } from './random';

const STRENGTHS = [1, 0.7, 0.5, 0.35, 0.25, 0.15, 0.1, 0.05, 0.03];
const PALETTE = ['PY3', 'PY150', 'PR122', 'PB29', 'PB15:3', 'PBr7-burnt-sienna'].map((code) =>
  pigmentByCode(code),
);
const painted = PIGMENTS.filter(({ metallic }) => !metallic);
const coloured = painted.filter(({ family }) => family !== 'white');

const paper = paperById('cotton-cold-300');
const single = (code: string, strength: number): Mix => ({
  parts: [{ pigment: pigmentByCode(code), parts: 1 }],
  strength,
  filmUm: 100,
});

/** The acceptance figures of the optics over all pigments, strengths and papers. */
export function measurePigments(): Measured {
  const wetDry = PAPERS.flatMap((sheet) =>
    painted.flatMap(({ code }) =>
      STRENGTHS.map((strength) => ({
        sheet,
        code,
        wet: glazeLab(sheet, [single(code, strength)], 1),
        dry: glazeLab(sheet, [single(code, strength)]),
      })),
    ),
  );
  const onCotton = wetDry.filter(
    ({ sheet, code }) => sheet === paper && pigmentByCode(code).family !== 'white',
  );
  const gain = ({ wet, dry }: { wet: Lab; dry: Lab }): number => (dry[0] - wet[0]) / (100 - dry[0]);
  const loss = ({ wet, dry }: { wet: Lab; dry: Lab }): number => 1 - chromaOf(dry) / chromaOf(wet);
  const three = (values: number[]): number[] =>
    [0.1, 0.5, 0.9].map((share) => Math.round(1000 * quantile(values, share)) / 1000);
  return {
    figures: {
      notDarkerWet: wetDry.filter(({ wet, dry }) => wet[0] >= dry[0]).length,
      wetStrongerShare:
        onCotton.filter(({ wet, dry }) => chromaOf(wet) > chromaOf(dry)).length / onCotton.length,
      dryingGainP10P50P90: three(onCotton.map(gain)),
      chromaLossP10P50P90: three(onCotton.map(loss)),
      notDarkerWithLoad: coloured.filter(({ code }) =>
        STRENGTHS.slice(1).some(
          (s, i) => glazeLab(paper, [single(code, s)])[0] <= glazeLab(paper, [single(code, STRENGTHS[i])])[0],
        ),
      ).length,
      worstEnergy: worstEnergy(),
      worstInfiniteLayer: Math.max(
        ...[0.001, 0.01, 0.1, 1, 10].map((ratio) =>
          Math.abs(layerLight(1e5 * ratio, 1e5).r - infiniteLayer(ratio)),
        ),
      ),
      ...bandErrors('twelveBands', TWELVE_BANDS),
      ...bandErrors('eightBands', EIGHT_BANDS),
      ...matchOwnTargets(),
    },
    below: {
      notDarkerWet: 1,
      notDarkerWithLoad: 1,
      worstEnergy: 1e-9,
      worstInfiniteLayer: 1e-9,
      twelveBandsMeanDeltaE: 0.1,
      twelveBandsP95DeltaE: 0.3,
      ownTargetMeanDeltaE: 0.5,
      ownTargetP95DeltaE: 1.5,
    },
    above: { wetStrongerShare: 0.95 },
  };
}

/** Most light that a layer sends back and lets through beyond what it gets, over 200,000 layers. */
function worstEnergy(): number {
  const random = randomFrom(7);
  let worst = 0;
  for (let i = 0; i < 200_000; i++) {
    const { r, t } = layerLight(30 * random() ** 3, 30 * random() ** 3);
    worst = Math.max(worst, r + t - 1);
  }
  return worst;
}

/** Fewer bands against 36: every pigment, and every pair one to one, at four strengths, wet and dry. */
function bandErrors(name: string, bands: BandSet): Record<string, number> {
  const errors: number[] = [];
  for (const wetness of [0, 1]) {
    const ground = groundOf(paper, []);
    const full = filmColourist(painted, ground, undefined, wetness);
    const few = filmColourist(painted, ground, bands, wetness);
    const loads = new Float64Array(painted.length);
    for (let i = 0; i < painted.length; i++)
      for (let j = i; j < painted.length; j++)
        for (const strength of [1, 0.4, 0.15, 0.05]) {
          loads.fill(0);
          loads[i] += (strength * painted[i].masstoneLoadGm2) / 2;
          loads[j] += (strength * painted[j].masstoneLoadGm2) / 2;
          errors.push(deltaE00(full.colourOf(loads), few.colourOf(loads)));
        }
  }
  return {
    [`${name}MeanDeltaE`]: mean(errors),
    [`${name}P95DeltaE`]: quantile(errors, 0.95),
    [`${name}WorstDeltaE`]: quantile(errors, 1),
  };
}

/** The search on colours mixed from its own palette in any ratio, not only whole-number ones. */
function matchOwnTargets(): Record<string, number> {
  const random = randomFrom(11);
  const table = done(mixTable(PALETTE, paper));
  const errors = Array.from({ length: 300 }, () => {
    const shuffled = PALETTE.map((pigment) => ({ pigment, order: random() })).sort(
      (a, b) => a.order - b.order,
    );
    const parts = shuffled
      .slice(0, 1 + Math.floor(3 * random()))
      .map(({ pigment }) => ({ pigment, parts: 0.05 + random() }));
    const target = glazeLab(paper, [{ parts, strength: 0.05 + 0.9 * random(), filmUm: 100 }]);
    return matchIn(table, target).best.deltaE00;
  });
  return {
    ownTargets: errors.length,
    ownTargetMeanDeltaE: mean(errors),
    ownTargetP95DeltaE: quantile(errors, 0.95),
  };
}
