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
  return unit === 'mm' ? `${Math.round(mm * 10) / 10} mm` : `${formatInches(mm / MM_PER_INCH)} in`;
}

function formatInches(inches: number): string {
  const sixteenths = Math.round(inches * 16);
  const whole = Math.floor(sixteenths / 16);
  const rest = sixteenths % 16;
  if (rest === 0) return String(whole);
  const divisor = rest % 8 === 0 ? 8 : rest % 4 === 0 ? 4 : rest % 2 === 0 ? 2 : 1;
  const fraction = `${rest / divisor}/${16 / divisor}`;
  return whole === 0 ? fraction : `${whole} ${fraction}`;
}
