import type { Plan } from '@kettle/core/document/plan';
import type { LineKind, PencilLine } from '@kettle/core/drawing/sketch';

const INKED: readonly LineKind[] = ['soluble-ink', 'waterproof-ink', 'stamped'];

/** Lines that paint can make run, or bury; pencil lines are many, and matter to nothing that dries. */
export const inkedLines = ({ lines }: Pick<Plan, 'lines'>): PencilLine[] =>
  lines.filter(({ kind }) => INKED.includes(kind));
