/** International inch in mm (1959, exact). */
export const MM_PER_INCH = 25.4;

export type LengthUnit = 'mm' | 'in';

const INCH_MARK = /\s*(?:in(?:ch(?:es)?)?|″|")\s*$/i;
const MM_MARK = /\s*mm\s*$/i;
const DECIMAL = /^\d+(?:[.,]\d+)?$/;
const FRACTION = /^(?:(\d+)\s+)?(\d+)\/(\d+)$/;

/**
 * Reads a length as a painter writes it: `133,35`, `5.25 in`, `5 1/4 in`, `1/8"`.
 * A bare number is in `unit`. Returns mm; throws `RangeError` with the sentence to show.
 */
export function parseLength(text: string, unit: LengthUnit = 'mm'): number {
  const isInch = INCH_MARK.test(text) || (unit === 'in' && !MM_MARK.test(text));
  const digits = text.replace(INCH_MARK, '').replace(MM_MARK, '').trim();
  const value = parseNumber(digits);
  if (value === null) throw new RangeError(`“${text}” is not a length; write 133,35 or 5 1/4 in`);
  return isInch ? value * MM_PER_INCH : value;
}

function parseNumber(digits: string): number | null {
  if (DECIMAL.test(digits)) return Number(digits.replace(',', '.'));
  const fraction = FRACTION.exec(digits);
  if (!fraction || Number(fraction[3]) === 0) return null;
  return Number((fraction[1] as string | undefined) ?? 0) + Number(fraction[2]) / Number(fraction[3]);
}

/** A length for reading: mm to one decimal, inches to the nearest 1/16 in lowest terms. */
export function formatLength(mm: number, unit: LengthUnit = 'mm'): string {
  return unit === 'mm'
    ? `${Math.round(mm * 10) / 10} mm`
    : `${inFractions(Math.round((mm / MM_PER_INCH) * 16), 16)} in`;
}

/** Inches nearer to a 64th than this are written as one; no rule shows less. */
const NEAR_IN = 1e-5;

/**
 * A length for a field, from which `parseLength` reads the same again to a hundredth of a millimetre: inches as a
 * fraction where they are one, to the 64th, else with decimals.
 */
export function writeLength(mm: number, unit: LengthUnit = 'mm'): string {
  if (unit === 'mm') return `${Math.round(mm * 1000) / 1000} mm`;
  const inches = mm / MM_PER_INCH;
  const parts = Math.round(inches * 64);
  if (Math.abs(inches - parts / 64) < NEAR_IN) return `${inFractions(parts, 64)} in`;
  return `${Math.round(inches * 10_000) / 10_000} in`;
}

/** So many parts of an inch in lowest terms, `5 1/4`. */
function inFractions(parts: number, ofAnInch: 16 | 64): string {
  const whole = Math.floor(parts / ofAnInch);
  let [above, below] = [parts % ofAnInch, ofAnInch as number];
  if (above === 0) return String(whole);
  while (above % 2 === 0) [above, below] = [above / 2, below / 2];
  return whole === 0 ? `${above}/${below}` : `${whole} ${above}/${below}`;
}
