import { MM_PER_INCH } from '@kettle/core/kit/units';

/** How finely sheets are drawn, px/mm: a plan at a first glance and then as it is scrubbed through, a sheet that lies on the screen, and files that may be printed. */
export const GLANCE_PX_MM = 1.5;
export const MOMENT_PX_MM = 3;
export const SCREEN_PX_MM = 4;
export const PRINT_PX_MM = 300 / MM_PER_INCH;
