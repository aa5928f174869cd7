import {
  formatHex,
  modeLab65,
  modeOklab,
  modeOklch,
  modeRgb,
  modeXyz65,
  parseHex,
  toGamut,
  useMode,
} from 'culori/fn';
import type { Lab } from './lab';

useMode(modeRgb);
useMode(modeXyz65);
useMode(modeOklab);
const toLab65 = useMode(modeLab65);
useMode(modeOklch);

/** Reduces chroma along OKLCh until the colour fits the screen, keeping lightness and hue (CSS Color 4, §13). */
const intoSrgb = toGamut('rgb', 'oklch');

/** The nearest colour a screen can show, `#rrggbb`. */
export function hexOf([l, a, b]: Lab): string {
  return formatHex(intoSrgb({ mode: 'lab65', l, a, b }));
}

/** L*a*b* of a screen colour `#rrggbb`; throws `RangeError` on anything else. */
export function labOfHex(hex: string): Lab {
  const rgb = /^#[0-9a-f]{6}$/i.test(hex) ? parseHex(hex) : undefined;
  if (!rgb) throw new RangeError(`“${hex}” is not a colour; write #rrggbb`);
  const { l, a, b } = toLab65(rgb);
  return [l, a, b];
}
