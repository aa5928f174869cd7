import type { Act } from './act';
import { choreOf, type ChoreDoes } from './chore';

/** What an act does to the paper, if it is a chore that does something. */
export const deedOf = (act: Act): ChoreDoes | undefined =>
  act.kind === 'chore' ? choreOf(act.chore).does : undefined;
