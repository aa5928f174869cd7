import {
  clampChroma,
  converter,
  displayable,
  formatHex,
  modeLab65,
  modeLrgb,
  modeOklab,
  modeOklch,
  modeRgb,
  modeXyz65,
  parseHex,
  useMode,
} from 'culori/fn';
import type { Lab } from './lab';

useMode(modeRgb);
useMode(modeLrgb);
useMode(modeXyz65);
const toOklab = useMode(modeOklab);
const toLab65 = useMode(modeLab65);
const toRgb = converter('rgb');
useMode(modeOklch);

/**
 * The colour as a screen shows it, `#rrggbb`: chroma is reduced along OKLCh until it fits sRGB, keeping
 * lightness and hue (Ottosson 2020).
 */
export function hexOf([l, a, b]: Lab): string {
  return formatHex(clampChroma({ mode: 'lab65', l, a, b }, 'oklch'));
}

/** Whether a screen shows the colour without loss of chroma. */
export const onScreen = ([l, a, b]: Lab): boolean => displayable({ mode: 'lab65', l, a, b });

/** L*a*b* of a screen colour `#rrggbb`; throws `RangeError` on anything else. */
export function labOfHex(hex: string): Lab {
  const rgb = /^#[0-9a-f]{6}$/i.test(hex) ? parseHex(hex) : undefined;
  if (!rgb) throw new RangeError(`“${hex}” is not a colour; write #rrggbb`);
  const { l, a, b } = toLab65(rgb);
  return [l, a, b];
}

/** L*a*b* of linear light in the primaries of a screen, red, green, blue, each 0…1. */
export function labOfLight([r, g, b]: readonly [number, number, number]): Lab {
  const lab = toLab65({ mode: 'lrgb', r, g, b });
  return [lab.l, lab.a, lab.b];
}

/** Half a step of a byte. */
const HALF_A_BYTE = 0.5 / 255;

/** Whether a colour read from a screen lies on the edge of what screens show: it may have been stronger. */
export function atScreenEdge([l, a, b]: Lab): boolean {
  const { r, g, b: blue } = toRgb({ mode: 'lab65', l, a, b });
  return Math.min(r, g, blue) < HALF_A_BYTE || Math.max(r, g, blue) > 1 - HALF_A_BYTE;
}

/** OKLab (Ottosson 2020) on the scale of L*a*b*: lightness and hue in it survive the reduction to the screen. */
export function oklabOf([l, a, b]: Lab): Lab {
  const ok = toOklab({ mode: 'lab65', l, a, b });
  return [100 * ok.l, 100 * ok.a, 100 * ok.b];
}
