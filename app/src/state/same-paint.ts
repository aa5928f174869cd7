import { paintedOf, type Plan } from '@kettle/core/document/plan';
import { inkedLines } from '../workers/inked';

/** Whether two states of a card differ in their pencil lines at most. */
export function alikeButLines(one: Plan | null, other: Plan | null): boolean {
  if (one === null || other === null) return one === other;
  const parts = Object.keys(one) as (keyof Plan)[];
  return parts.every((part) => (part === 'lines' ? inkedAlike(one, other) : one[part] === other[part]));
}

function inkedAlike(one: Plan, other: Plan): boolean {
  if (one.lines === other.lines) return true;
  const [some, others] = [inkedLines(one), inkedLines(other)];
  return some.length === others.length && some.every((line, i) => line === others[i]);
}

/** Whether two states of a card lay the same paint on the same paper in the same air. */
export function paintsAlike(one: Plan | null, other: Plan | null): boolean {
  if (one === null || other === null || one.id !== other.id) return one === other;
  return PAINTED.every((part) => one[part] === other[part]) && sheetOf(one) === sheetOf(other);
}

/** The painted sheet and the panel on it, to compare. */
const sheetOf = (plan: Plan): string => JSON.stringify([paintedOf(plan).panel, paintedOf(plan).paint]);

const PAINTED = [
  'climate',
  'paper',
  'rules',
  'areas',
  'whites',
  'resists',
  'mixes',
  'acts',
  'embedded',
] as const;
