import { deltaE00, hexOf, labOfHex, type Lab } from '@kettle/core/kit/colour';
import { paperById } from '@kettle/core/materials/paper';
import {
  atReferenceFilm,
  calibrate,
  glazeLab,
  PIGMENTS,
  type Pigment,
  type ReadSwatch,
} from '@kettle/core/materials/pigment';
import { type Measured } from './limits';
import { mean, quantile } from './random';

const paper = paperById('cotton-cold-300');
const painted = PIGMENTS.filter(({ metallic }) => !metallic);
const HELD_OUT = [0.7, 0.4, 0.2, 0.05];

const seen = (pigment: Pigment, strength: number, other?: Pigment): Lab =>
  glazeLab(paper, [
    atReferenceFilm(
      [pigment, ...(other ? [other] : [])].map((p) => ({ pigment: p, parts: 1 })),
      strength,
    ),
  ]);

/** How a swatch is read: as a screen's bytes, chroma outside sRGB lost, or as L*a*b* in 8 bits a channel. */
type Reader = (lab: Lab) => Pick<ReadSwatch, 'lab' | 'fromScreen'>;
const asScreen: Reader = (lab) => ({ lab: labOfHex(hexOf(lab)), fromScreen: true });
const asBytes: Reader = ([l, a, b]) => ({ lab: [Math.round(2.55 * l) / 2.55, Math.round(a), Math.round(b)] });

/**
 * Every pigment fitted from a masstone and a 1:10 tint read to eight bits. *Other maker*: the pigment moved (bands
 * 5 nm, width and strength 10–25 %, scatter ×1.4) and fitted from itself; *left out*: the library pigment itself,
 * fitted only from the others, which is harder than any real case.
 */
export function measureCalibration(): Measured {
  return {
    figures: {
      ...fitAll('otherMakerScreen', asScreen, false),
      ...fitAll('otherMakerBytes', asBytes, false),
      ...fitAll('leftOutScreen', asScreen, true),
      ...fitAll('leftOutBytes', asBytes, true),
    },
    below: {
      otherMakerScreenMeanResidual: 0.5,
      otherMakerScreenP95Residual: 0.5,
      otherMakerScreenMeanDilution: 1.5,
      otherMakerScreenMeanMix: 3,
      otherMakerBytesMeanResidual: 0.5,
      otherMakerBytesP95Residual: 0.5,
      otherMakerBytesMeanDilution: 1.5,
      otherMakerBytesMeanMix: 3,
      leftOutScreenMeanResidual: 0.5,
      leftOutScreenMeanDilution: 1.5,
      leftOutScreenMeanMix: 3,
      leftOutBytesMeanResidual: 0.5,
      leftOutBytesMeanDilution: 1.5,
      leftOutBytesMeanMix: 3,
    },
  };
}

const otherMaker = (pigment: Pigment): Pigment => ({
  ...pigment,
  s0: pigment.s0 * 1.4,
  bands: pigment.bands.map(({ t, a, c, w }, i) => ({ t, a: a * (1.25 - 0.2 * i), c: c + 5, w: w * 1.1 })),
});

const nearestOf = (pigment: Pigment): Pigment =>
  painted
    .filter((other) => other !== pigment)
    .map((other) => ({
      other,
      apart: [1, 0.1].reduce((sum, d) => sum + deltaE00(seen(pigment, d), seen(other, d)), 0),
    }))
    .reduce((a, b) => (b.apart < a.apart ? b : a)).other;

function fitAll(name: string, reader: Reader, leftOut: boolean): Record<string, unknown> {
  const results = painted.map((own) => {
    const truth = leftOut ? own : otherMaker(own);
    const library = leftOut ? painted.filter((other) => other !== own) : painted;
    const swatches = [1, 0.1].map((strength) => ({
      strength,
      ground: 'paper' as const,
      ...reader(seen(truth, strength)),
    }));
    const { pigment, worst } = calibrate(leftOut ? nearestOf(own) : own, paper, swatches, library);
    return {
      code: own.code,
      residual: worst,
      dilution: mean(HELD_OUT.map((d) => deltaE00(seen(truth, d), seen(pigment, d)))),
      mix: mean(
        painted
          .filter((other) => other !== own)
          .map((other) => deltaE00(seen(truth, 0.3, other), seen(pigment, 0.3, other))),
      ),
    };
  });
  const figures = (key: 'residual' | 'dilution' | 'mix') => {
    const values = results.map((result) => result[key]);
    const word = key[0].toUpperCase() + key.slice(1);
    return {
      [`${name}Mean${word}`]: mean(values),
      [`${name}P95${word}`]: quantile(values, 0.95),
      [`${name}Worst${word}`]: quantile(values, 1),
      [`${name}WorstAt${word}`]: results.reduce((a, b) => (b[key] > a[key] ? b : a)).code,
    };
  };
  return { ...figures('residual'), ...figures('dilution'), ...figures('mix') };
}
