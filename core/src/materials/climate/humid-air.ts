/** Standard atmosphere at sea level, kPa (ISO 2533). */
const PRESSURE_KPA = 101.325;

/** Psychrometric constant per kPa of air pressure for a ventilated bulb, 1/K (WMO-No. 8). */
const PSYCHROMETRIC_PER_KPA = 0.000662;

const KELVIN = 273.15;

/** Coefficients over liquid water, 0–200 °C (Hyland & Wexler 1983; ASHRAE Fundamentals, ch. 1, eq. 6). */
const HYLAND_WEXLER = [-5.8002206e3, 1.3914993, -4.8640239e-2, 4.1764768e-5, -1.4452093e-8, 6.5459673];

/** Saturation vapour pressure over water, kPa, at °C. */
export function saturationPressure(tempC: number): number {
  const [c1, c2, c3, c4, c5, c6] = HYLAND_WEXLER;
  const t = tempC + KELVIN;
  return Math.exp(c1 / t + c2 + t * (c3 + t * (c4 + t * c5)) + c6 * Math.log(t)) / 1000;
}

/** Latent heat of vaporisation of water, kJ/kg, at °C (linear fit of the steam tables, 0–100 °C). */
export const latentHeat = (tempC: number): number => 2501 - 2.361 * tempC;

/**
 * Wet-bulb temperature, °C, of air at `airTempC` whose vapour pressure is `vapourKPa`: the
 * temperature a wet sheet takes in a draught. Psychrometric equation, solved by bisection.
 */
export function wetBulb(airTempC: number, vapourKPa: number): number {
  const gamma = PSYCHROMETRIC_PER_KPA * PRESSURE_KPA;
  let low = -40;
  let high = airTempC;
  while (high - low > 1e-9) {
    const middle = (low + high) / 2;
    const excess = saturationPressure(middle) - gamma * (airTempC - middle) - vapourKPa;
    if (excess > 0) high = middle;
    else low = middle;
  }
  return (low + high) / 2;
}
