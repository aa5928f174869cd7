import { inject, Injectable } from '@angular/core';
import { Messages } from '../state/messages.service';
import { WatchedWorker } from './watched-worker';

/** The workers of the app; of one that gives no sign the painter is told. */
@Injectable({ providedIn: 'root' })
export class Workers {
  private readonly messages = inject(Messages);

  /** A worker by what it does, in words: “Working out the drying”. */
  watched<Api>(doing: string, start: () => Worker, renewed?: () => void): WatchedWorker<Api> {
    const said = `${doing} takes longer than usual.`;
    return new WatchedWorker<Api>(
      start,
      (isSlow) => {
        if (isSlow)
          this.messages.say(said, 'What stands on the screen may be from before. The card is safe.');
        else this.messages.withdraw(said);
      },
      renewed,
    );
  }
}
