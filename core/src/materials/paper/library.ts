import { BadInput } from '../../kit/units';
import type { Paper } from './paper';

/**
 * The papers the app ships with. Capacity and uptake of 300 g/m² cotton are the water model's anchor
 * (about 240 g/m², Cobb-60 ≈ 58 g/m²); the others are our own defaults, scaled by weight and fibre.
 */
export const PAPERS: readonly Paper[] = [
  paper(
    'cotton-cold-300',
    'cotton, cold-pressed 300 g/m²',
    300,
    'cotton',
    'cold',
    25,
    240,
    1,
    0.9,
    12,
    'natural',
    0.3,
    0.5,
  ),
  paper(
    'cotton-hot-300',
    'cotton, hot-pressed 300 g/m²',
    300,
    'cotton',
    'hot',
    6,
    230,
    0.95,
    0.85,
    9,
    'natural',
    0.3,
    0.42,
  ),
  paper(
    'cotton-rough-300',
    'cotton, rough 300 g/m²',
    300,
    'cotton',
    'rough',
    50,
    245,
    1.05,
    0.9,
    12,
    'natural',
    0.3,
    0.58,
  ),
  paper(
    'cotton-cold-200',
    'cotton, cold-pressed 200 g/m²',
    200,
    'cotton',
    'cold',
    22,
    160,
    1,
    0.85,
    9,
    'natural',
    0.6,
    0.35,
  ),
  paper(
    'pulp-cold-300',
    'wood pulp, cold-pressed 300 g/m²',
    300,
    'pulp',
    'cold',
    22,
    190,
    1.35,
    0.6,
    5,
    'cool',
    0.45,
    0.48,
  ),
  paper(
    'pulp-cold-200',
    'wood pulp, cold-pressed 200 g/m²',
    200,
    'pulp',
    'cold',
    20,
    127,
    1.35,
    0.5,
    4,
    'cool',
    0.8,
    0.32,
  ),
  paper('craft-card-250', 'craft card 250 g/m²', 250, 'pulp', 'card', 4, 120, 0.8, 0.25, 1, 'warm', 0.9, 0.3),
];

function paper(
  id: string,
  name: string,
  weightGm2: number,
  fibre: Paper['fibre'],
  surface: Paper['surface'],
  reliefUm: number,
  capacityGm2: number,
  uptake: number,
  sizing: number,
  passes: number,
  white: Paper['white'],
  cockle: number,
  thicknessMm: number,
): Paper {
  return {
    id,
    revision: 1,
    name,
    weightGm2,
    fibre,
    surface,
    reliefUm,
    capacityGm2,
    uptake,
    sizing,
    passes,
    white,
    cockle,
    thicknessMm,
  };
}

/** Finds a paper by id; throws `BadInput` on `field` with the known ids. */
export function paperById(id: string, field = 'paper', papers: readonly Paper[] = PAPERS): Paper {
  const found = papers.find((candidate) => candidate.id === id);
  if (!found)
    throw new BadInput(field, `unknown paper “${id}”; known: ${papers.map((p) => p.id).join(', ')}`);
  return found;
}
