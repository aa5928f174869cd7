/**
 * Every physical number of the water model. Units: µm of film (1 µm = 1 g/m²), g/m² in the paper, s, mm.
 * Sources are named where they are published; the others were fitted so that the effects painters know
 * come out at their size (docs/water-model.md), and a studio's notes correct the drying as a whole.
 */

/** Film depths at which the look of a wet surface changes, µm: standing water; shine over the whole surface. */
export const PUDDLED_FILM_UM = 80;
export const SHINY_FILM_UM = 8;

/** Paper water at which damp paper turns cool to the hand, and cool paper dry to the touch, g/m². */
export const DAMP_PAPER_GM2 = 45;
export const DRY_PAPER_GM2 = 25;

/** Still-air mass transfer and its rise with air speed, kW/m² per kPa and per m/s (Carrier 1918; ASHRAE HVAC Applications, pools). */
export const CARRIER_STILL = 0.089;
export const CARRIER_PER_MS = 0.0782;

/** Share of its capacity below which paper gives water up ever more slowly (falling rate; fitted). */
export const FALLING_RATE_SHARE = 0.16;

/**
 * Uptake of sized cotton, 44·(1 − s/cap)/(s + 12) g/m²s: a sorption front that slows as it deepens.
 * Fitted to a Cobb-60 of 58 g/m² (ISO 535); a paper's `uptake` scales it.
 */
export const UPTAKE_GM2 = 44;
export const UPTAKE_OFFSET_GM2 = 12;

/** Creep of water along the paper: Ds·(s/240)³ mm²/s (fitted; steep since only full pores carry). */
export const CREEP_MM2_S = 0.03;
export const CREEP_REFERENCE_GM2 = 240;

/** Integration: first and longest steps, s; growth a step; largest relative change of film and paper a step. */
export const FIRST_STEP_S = 0.02;
export const STEP_GROWTH = 1.3;
export const LONGEST_FILM_STEP_S = 1;
export const LONGEST_DAMP_STEP_S = 5;

/** What is not dry after a year, in air within a breath of saturation, is not dry: no clock counts on, s. */
export const NEVER_S = 365 * 24 * 3600;
