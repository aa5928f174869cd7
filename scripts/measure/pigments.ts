import { chromaOf, deltaE00, type Lab } from '@kettle/core/colour';
import { paperById } from '@kettle/core/paper';
import {
  glazeLab,
  infiniteLayer,
  layerLight,
  matchColour,
  pigmentByCode,
  PIGMENTS,
  type Mix,
} from '@kettle/core/pigment';

const STRENGTHS = [1, 0.7, 0.5, 0.35, 0.25, 0.15, 0.1, 0.05, 0.03];
const TARGETS = 60;
const PALETTE = ['PY3', 'PY150', 'PR122', 'PB29', 'PB15:3', 'PBr7-burnt-sienna'];

/** A small repeatable sequence of numbers 0…1 (Park & Miller 1988). */
function* numbers(seed: number): Generator<number, never> {
  let state = seed;
  for (;;) {
    state = (state * 16807) % 2147483647;
    yield state / 2147483647;
  }
}

const paper = paperById('cotton-cold-300');
const single = (code: string, strength: number): Mix => ({
  parts: [{ pigment: pigmentByCode(code), parts: 1 }],
  strength,
  filmUm: 100,
});

/** The acceptance figures over all pigments and strengths, and the mix search on targets of its own palette. */
export function measurePigments(): object {
  const wetDry = PIGMENTS.filter(({ family }) => family !== 'white').flatMap(({ code }) =>
    STRENGTHS.map((strength) => ({
      wet: glazeLab(paper, [single(code, strength)], 1),
      dry: glazeLab(paper, [single(code, strength)]),
    })),
  );
  const gains = wetDry.map(({ wet, dry }) => (dry[0] - wet[0]) / (100 - wet[0])).sort((a, b) => a - b);
  const at = (share: number): number =>
    Math.round(1000 * gains[Math.floor(share * (gains.length - 1))]) / 1000;
  return {
    wetDarkerShare: wetDry.filter(({ wet, dry }) => wet[0] < dry[0]).length / wetDry.length,
    wetStrongerShare: wetDry.filter(({ wet, dry }) => chromaOf(wet) > chromaOf(dry)).length / wetDry.length,
    dryingGainP10P50P90: [at(0.1), at(0.5), at(0.9)],
    worstEnergy: worstEnergy(),
    worstInfiniteLayer: Math.max(
      ...[0.001, 0.01, 0.1, 1, 10].map((ratio) =>
        Math.abs(layerLight(1e5 * ratio, 1e5).r - infiniteLayer(ratio)),
      ),
    ),
    ...matchOwnTargets(),
  };
}

function worstEnergy(): number {
  const random = numbers(7);
  let worst = 0;
  for (let i = 0; i < 200_000; i++) {
    const { r, t } = layerLight(30 * random.next().value ** 3, 30 * random.next().value ** 3);
    worst = Math.max(worst, r + t - 1);
  }
  return worst;
}

function matchOwnTargets(): object {
  const random = numbers(11);
  const palette = PALETTE.map((code) => pigmentByCode(code));
  const results = Array.from({ length: TARGETS }, () => {
    const parts = palette
      .map((pigment) => ({ pigment, parts: Math.floor(random.next().value * 4), order: random.next().value }))
      .filter(({ parts: n }) => n > 0)
      .sort((a, b) => a.order - b.order)
      .slice(0, 3)
      .map(({ pigment, parts: n }) => ({ pigment, parts: n }));
    const mix = {
      parts: parts.length > 0 ? parts : [{ pigment: palette[0], parts: 1 }],
      strength: 0.05 + 0.9 * random.next().value,
      filmUm: 100,
    };
    const target: Lab = glazeLab(paper, [mix]);
    const begun = performance.now();
    const { best } = matchColour({ target, palette, paper });
    return { deltaE: deltaE00(target, best.dry.lab), ms: performance.now() - begun };
  });
  const errors = results.map(({ deltaE }) => deltaE).sort((a, b) => a - b);
  return {
    ownTargets: TARGETS,
    ownTargetMeanDeltaE: errors.reduce((a, b) => a + b, 0) / TARGETS,
    ownTargetP95DeltaE: errors[Math.floor(0.95 * (TARGETS - 1))],
    plainSearchMeanMs: results.reduce((sum, { ms }) => sum + ms, 0) / TARGETS,
  };
}
