import { inject, Injectable, Injector, type ErrorHandler } from '@angular/core';
import { BadInput } from '@kettle/core/kit/units';
import { faultOf } from '../data/storage-watch';
import { fetchLostChunk, isLostChunk } from './lost-chunk';
import { Messages } from './messages.service';
import { Storage } from './storage.service';

/** So much of an unforeseen fault is quoted, characters. */
const MOST_QUOTED = 120;

/** The one place where whatever nobody has caught becomes a sentence. */
@Injectable()
export class Faults implements ErrorHandler {
  private readonly injector = inject(Injector);

  handleError(error: unknown): void {
    const cause = causeOf(error);
    // For whoever looks for the reason.
    // oxlint-disable-next-line no-console
    console.error(cause);
    if (isLostChunk(cause)) {
      void fetchLostChunk(this.injector);
      return;
    }
    if (this.injector.get(Storage).watch.hasTold(cause)) return;
    const says = cause instanceof Error ? cause.message : String(cause);
    this.injector
      .get(Messages)
      .trouble(
        cause instanceof BadInput
          ? `${says.slice(0, MOST_QUOTED)}.`
          : `${faultOf(cause) === null ? 'Something went wrong' : 'The browser’s storage could not do that'}: ${says.slice(0, MOST_QUOTED)}.`,
        'What was done before is safe. If it happens again, load the page again.',
      );
  }
}

/** What was thrown inside a promise comes wrapped. */
function causeOf(error: unknown): unknown {
  if (typeof error === 'object' && error !== null && 'rejection' in error) return error.rejection;
  return error;
}
