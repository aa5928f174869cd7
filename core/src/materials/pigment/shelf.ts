import type { Paper } from '../paper';
import type { Work } from '../../kit/units';
import { boxTable, type BoxTable } from './box-table';
import type { MatchRequest } from './match';
import { mixTable, type MixTable } from './mix-table';
import type { Pigment } from './pigment';

/** Mix tables kept; each is some 200 kB. */
const TABLES = 4;
/** Box tables kept; that of a whole box is some 20 MB. */
const BOXES = 1;

/** Keeps the latest few answers of long work, found again by what was asked. */
function shelf<Asked extends readonly unknown[], Answer>(
  size: number,
  work: (...asked: Asked) => Work<Answer>,
): (...asked: Asked) => Work<Answer> {
  const kept = new Map<string, Answer>();
  return function* (...asked) {
    const key = JSON.stringify(asked);
    const answer = kept.get(key) ?? (yield* work(...asked));
    kept.delete(key);
    kept.set(key, answer);
    if (kept.size > size) kept.delete(kept.keys().next().value!);
    return answer;
  };
}

/** Mix tables for repeated searches with the same palette. */
export function tableCache(): (request: Omit<MatchRequest, 'target'>) => Work<MixTable> {
  const tableOf = shelf(TABLES, mixTable);
  return ({ palette, paper, maxPigments }) => tableOf(palette, paper, maxPigments);
}

/** Box tables for repeated choices from the same box. */
export const boxCache = (): ((box: readonly Pigment[], paper: Paper) => Work<BoxTable>) =>
  shelf(BOXES, boxTable);
