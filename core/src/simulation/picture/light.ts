import { byteOfLight, LIGHT_OF_BYTE } from '../../kit/colour';
import { PUDDLED_FILM_UM, SHINY_FILM_UM } from '../water';

/** A mask’s film, with the lines it is told by in greys too. */
export const MASK_FILM = [230, 214, 173] as const;
export const MASK_LINE = [219, 199, 150] as const;

/** How strongly the lamp shows the paper's relief: share of the light for a slope of one (fitted to be seen and not looked at). */
const SHOWS = 0.014;

/** A film so deep hides the relief, µm. */
const HIDES_UM = 40;

/** Of a change of light, bytes change by this share: they stand for about its 1/2.2th power. */
const BYTES_FOLLOW = 1 / 2.2;

/** Shades a pixel as its paper leans to the lamp or from it; under a film it is level. */
export function lit(rgba: Uint8ClampedArray, at: number, slope: number, filmUm: number): void {
  const bare = filmUm >= HIDES_UM ? 0 : 1 - filmUm / HIDES_UM;
  const factor = 1 + BYTES_FOLLOW * SHOWS * slope * bare;
  rgba[at] *= factor;
  rgba[at + 1] *= factor;
  rgba[at + 2] *= factor;
}

/** The lamp's reflection lies across the sheet so far from its upper left corner and is so wide, shares of its diagonal. */
const REFLECTED_AT = 0.3;
const REFLECTED_WIDTH = 0.16;

/** How much of the lamp a mirror gives back in its reflection, and of the room elsewhere. */
const OF_THE_LAMP = 0.34;
const OF_THE_ROOM = 0.035;

/** Lays the shine of a film over a pixel: `x` and `y` are shares of the sheet's width and height. */
export function glossOf(
  rgba: Uint8ClampedArray,
  at: number,
  filmUm: number,
  height: number,
  x: number,
  y: number,
): void {
  const away = ((x + y) / 2 - REFLECTED_AT) / REFLECTED_WIDTH;
  const share = shineOf(filmUm, height) * (OF_THE_ROOM + OF_THE_LAMP * Math.exp(-away * away));
  for (let channel = 0; channel < 3; channel++) rgba[at + channel] += share * (255 - rgba[at + channel]);
}

/** Bytes of grey along the light: dry paper, its grain, how much damp darkens it, and a mirror. */
const MATT = 176;
const GRAIN = 6;
const DAMP_DARKENS = 70;
const MIRROR = 250;

/**
 * Pixels seen along the light: a film shines, where it is going only the valleys do, damp paper is darker than dry, and where
 * water stands it is a mirror with no grain. `film` is left out where there is none.
 */
export function alongTheLight(
  film: Float32Array | null,
  wetness: Float32Array,
  height: Float32Array,
): Uint8ClampedArray {
  const rgba = new Uint8ClampedArray(4 * wetness.length);
  for (let pixel = 0; pixel < wetness.length; pixel++) {
    const depth = film ? film[pixel] : 0;
    const matt = MATT + GRAIN * height[pixel] - (depth > 0 ? 0 : DAMP_DARKENS * wetness[pixel]);
    const shines = depth > PUDDLED_FILM_UM ? 1 : depth <= 0 ? 0 : shineOf(depth, height[pixel]);
    const grey = matt + shines * (MIRROR - matt);
    rgba.set([grey, grey, grey + 4, 255], 4 * pixel);
  }
  return rgba;
}

/** A whole film shines with a little grain; a going one in the valleys, the fewer the thinner it is. */
const shineOf = (filmUm: number, height: number): number =>
  filmUm > SHINY_FILM_UM ? 0.85 - 0.05 * height : height / 2 < (2 * filmUm) / SHINY_FILM_UM - 1 ? 0.8 : 0.15;

/** Rec. 709 weights of the lightness of linear light (ITU-R BT.709). */
const LUMINANCE = [0.2126, 0.7152, 0.0722] as const;

/** Turns pixels into greys of the same lightness. */
export function greyed(rgba: Uint8ClampedArray): void {
  for (let at = 0; at < rgba.length; at += 4) {
    const light = LUMINANCE.reduce((sum, weight, i) => sum + weight * LIGHT_OF_BYTE[rgba[at + i]], 0);
    rgba[at] = rgba[at + 1] = rgba[at + 2] = byteOfLight(light);
  }
}
