import { DAMP_PAPER_GM2, DRY_PAPER_GM2, PUDDLED_FILM_UM, SHINY_FILM_UM } from './constants';

/** The stages of drying in order, as painters tell them apart. */
export const STAGES = ['puddled', 'shiny', 'satin', 'damp', 'cool', 'dry'] as const;
export type Stage = (typeof STAGES)[number];

/** The stage of a surface, from its mean film (µm) and paper water (g/m²). */
export function stageOf(filmUm: number, paperGm2: number): Stage {
  if (filmUm > PUDDLED_FILM_UM) return 'puddled';
  if (filmUm > SHINY_FILM_UM) return 'shiny';
  if (filmUm > 0) return 'satin';
  if (paperGm2 > DAMP_PAPER_GM2) return 'damp';
  if (paperGm2 > DRY_PAPER_GM2) return 'cool';
  return 'dry';
}

/** What a painter sees and feels at each stage. */
export const STAGE_WORDS: Readonly<Record<Stage, string>> = {
  puddled: 'puddled, water stands',
  shiny: 'shiny all over',
  satin: 'the sheen is going',
  damp: 'matt and damp',
  cool: 'cool to the hand',
  dry: 'dry',
};

/** Paper water between which matt paper goes from looking dry to looking wet, g/m². */
const LOOKS_DRY_GM2 = 10;
const LOOKS_WET_GM2 = 70;

/** How wet a surface looks, 0…1: 1 under a film, then falling with the water in the paper. */
export function wetLook(filmUm: number, paperGm2: number): number {
  if (filmUm > 0) return 1;
  return Math.min(1, Math.max(0, (paperGm2 - LOOKS_DRY_GM2) / (LOOKS_WET_GM2 - LOOKS_DRY_GM2)));
}
