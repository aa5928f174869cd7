import { atScreenEdge, deltaE00, hexOf, labOfHex, oklabOf, type Lab } from '../../kit/colour';
import type { Paper } from '../paper';
import { BadInput } from '../../kit/units';
import { glazeLab } from './glaze';
import { leastSquares } from './least-squares';
import { PIGMENTS, pigmentByCode } from './library';
import { atReferenceFilm, type Mix } from './mix';
import type { Pigment } from './pigment';

/** A painted swatch as it was read, dry. */
export interface ReadSwatch {
  /** Concentration 0…1; null when it is not known and is to be fitted. */
  readonly strength: number | null;
  readonly lab: Lab;
  /** On the bare paper, or over a dry masstone of black. */
  readonly ground: 'paper' | 'black';
  /** Read from a screen colour, in which chroma outside sRGB is lost. */
  readonly fromScreen?: boolean;
  /** A known pigment mixed in, one part to one: it tells how strong the own pigment is. */
  readonly with?: Pigment;
}

export interface Calibration {
  /** The pigment with fitted spectra; all but its optics is that of the pigment it is like. */
  readonly pigment: Pigment;
  /** ΔE00 of each swatch from the fit. */
  readonly residuals: readonly number[];
  readonly worst: number;
  /** Strength of each swatch, as stated or as fitted. */
  readonly strengths: readonly number[];
}

/** Library pigments tried as a first guess of the spectrum's shape. */
const TEMPLATES = 3;

/** How far a spectrum may plausibly be from its template: one σ of each parameter. */
const SPREAD = { logAmplitude: 0.6, centreNm: 14, logWidth: 0.35, logFloor: 0.8, logScatter: 0.8 };

/**
 * Broad faint bells of absorption added to every template, so that a reading no shift of the template's own
 * bands explains still has somewhere to go; they start at 1 % of its peak.
 */
const CORRECTIONS = [430, 540, 640].map((c) => ({ t: 'g' as const, c, w: 40 }));
const CORRECTION_SHARE = 0.01;
const CORRECTION_LOG_SIGMA = 1.5;

/** Error of a reading in 8 bits a channel, ΔE: a step of the code, shared out. */
const READING_ERROR = 0.12;

/** An unstated strength is guessed as a 1:8 tint, within a factor of e either way (one σ). */
const UNSTATED = { strength: 0.12, logSigma: 1 };

/**
 * Fits a pigment's spectra to swatches of it: bands, floor and scatter move from three library templates as far
 * as the readings pull against their spread (maximum a posteriori; Tarantola 2005), and the likeliest is kept.
 * Two swatches of stated strength are the least; an unstated strength needs a third. A swatch over black
 * decides opacity. `library` holds the templates. Throws `BadInput` when there are too few.
 */
export function calibrate(
  like: Pigment,
  paper: Paper,
  swatches: readonly ReadSwatch[],
  library = PIGMENTS,
): Calibration {
  if (like.metallic) throw new BadInput('like', `${like.code} is metallic: its colour turns with the light`);
  if (swatches.length < 2) throw new BadInput('swatches', 'at least two are needed: a masstone and a tint');
  const stated = swatches.filter(({ strength }) => strength !== null).length;
  if (stated < swatches.length && swatches.length < 3)
    throw new BadInput('swatches', 'a strength that is not stated needs a third swatch');
  if (stated === 0) throw new BadInput('swatches', 'one strength at least must be stated; a masstone is 1');
  const fits = templatesFor(like, paper, swatches, library).map((template) =>
    fitFrom(template, like, paper, swatches),
  );
  return fits.reduce((a, b) => (b.cost < a.cost ? b : a)).calibration;
}

/** The library pigments nearest to the swatches of stated strength, `like` among them. */
function templatesFor(
  like: Pigment,
  paper: Paper,
  swatches: readonly ReadSwatch[],
  library: readonly Pigment[],
): Pigment[] {
  const apart = (pigment: Pigment): number =>
    swatches.reduce(
      (sum, swatch) => sum + missOf(pigment, paper, swatch, swatch.strength ?? UNSTATED.strength),
      0,
    );
  const others = library.filter(({ code, metallic }) => code !== like.code && !metallic);
  const nearest = others
    .map((pigment) => ({ pigment, apart: apart(pigment) }))
    .sort((a, b) => a.apart - b.apart)
    .slice(0, TEMPLATES - 1);
  return [like, ...nearest.map(({ pigment }) => pigment)];
}

function fitFrom(
  template: Pigment,
  like: Pigment,
  paper: Paper,
  swatches: readonly ReadSwatch[],
): { cost: number; calibration: Calibration } {
  const unstated = swatches.flatMap(({ strength }, i) => (strength === null ? [i] : []));
  const optics = template.bands.length * 3 + 2 + CORRECTIONS.length;
  const strengthsAt = (parameters: readonly number[]): number[] =>
    swatches.map(
      ({ strength }, i) =>
        strength ??
        UNSTATED.strength * Math.exp(UNSTATED.logSigma * parameters[optics + unstated.indexOf(i)]),
    );
  const residuals = (parameters: readonly number[]): number[] => {
    const pigment = shaped(template, like, parameters);
    const strengths = strengthsAt(parameters);
    const misses = swatches.flatMap((swatch, i) =>
      gap(colourOf(pigment, paper, swatch, strengths[i]), swatch).map((d) => d / READING_ERROR),
    );
    return [...misses, ...parameters];
  };
  const { parameters, cost } = leastSquares(new Array<number>(optics + unstated.length).fill(0), residuals);
  const pigment = shaped(template, like, parameters);
  const strengths = strengthsAt(parameters);
  const missed = swatches.map((swatch, i) => missOf(pigment, paper, swatch, strengths[i]));
  return { cost, calibration: { pigment, residuals: missed, worst: Math.max(...missed), strengths } };
}

/** The template's spectra moved by `parameters`, each in σ of its spread, at the load of `like`. */
function shaped(template: Pigment, like: Pigment, parameters: readonly number[]): Pigment {
  const perGram = template.masstoneLoadGm2 / like.masstoneLoadGm2;
  const own = template.bands.length * 3;
  const [floor, scatter] = parameters.slice(own);
  const peak = Math.max(template.k0, ...template.bands.map(({ a }) => a)) * perGram;
  return {
    ...like,
    revision: like.revision + 1,
    k0: template.k0 * perGram * Math.exp(SPREAD.logFloor * floor),
    s0: template.s0 * perGram * Math.exp(SPREAD.logScatter * scatter),
    sp: template.sp,
    bands: [
      ...template.bands.map(({ t, a, c, w }, i) => ({
        t,
        a: a * perGram * Math.exp(SPREAD.logAmplitude * parameters[3 * i]),
        c: c + SPREAD.centreNm * parameters[3 * i + 1],
        w: w * Math.exp(SPREAD.logWidth * parameters[3 * i + 2]),
      })),
      ...CORRECTIONS.map((bell, i) => ({
        ...bell,
        a: CORRECTION_SHARE * peak * Math.exp(CORRECTION_LOG_SIGMA * parameters[own + 2 + i]),
      })),
    ],
    origin: 'calibrated',
  };
}

/** What the swatch would look like if the pigment were this. */
function colourOf(pigment: Pigment, paper: Paper, swatch: ReadSwatch, strength: number): Lab {
  const parts = [pigment, ...(swatch.with ? [swatch.with] : [])].map((p) => ({ pigment: p, parts: 1 }));
  const black: Mix = atReferenceFilm([{ pigment: pigmentByCode('PBk6'), parts: 1 }], 1);
  return glazeLab(paper, [...(swatch.ground === 'black' ? [black] : []), atReferenceFilm(parts, strength)]);
}

const asRead = (lab: Lab, { fromScreen }: ReadSwatch): Lab => (fromScreen ? labOfHex(hexOf(lab)) : lab);

function missOf(pigment: Pigment, paper: Paper, swatch: ReadSwatch, strength: number): number {
  return deltaE00(asRead(colourOf(pigment, paper, swatch, strength), swatch), swatch.lab);
}

/**
 * Difference in lightness, chroma and hue, weighted as CIE94 does, so that the fit minds what the eye minds. A
 * reading on the edge of the screen has lost chroma: its lightness and hue count as OKLab has them, and its
 * chroma only where the fit falls short of it.
 */
function gap(lab: Lab, swatch: ReadSwatch): number[] {
  if (!swatch.fromScreen || !atScreenEdge(swatch.lab)) {
    const { light, chroma, hue, size } = partsOfGap(lab, swatch.lab);
    return [light, chroma / (1 + 0.045 * size), hue / (1 + 0.015 * size)];
  }
  const { light, chroma, hue } = partsOfGap(oklabOf(lab), oklabOf(swatch.lab));
  return [light, Math.min(0, chroma), hue];
}

function partsOfGap([l, a, b]: Lab, [l1, a1, b1]: Lab): Record<'light' | 'chroma' | 'hue' | 'size', number> {
  const [c, c1] = [Math.hypot(a, b), Math.hypot(a1, b1)];
  const hue2 = Math.max(0, (a - a1) ** 2 + (b - b1) ** 2 - (c - c1) ** 2);
  return { light: l - l1, chroma: c - c1, hue: Math.sign(a1 * b - b1 * a) * Math.sqrt(hue2), size: c1 };
}
