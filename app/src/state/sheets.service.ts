import { inject, Injectable } from '@angular/core';
import { firstValueFrom, type Observable } from 'rxjs';
import type { Difference, LayerSpan, Remedy } from '@kettle/core/advice/trials';
import { SCREEN_PX_MM } from '../workers/fineness';
import { SimulationWorker } from '../workers/simulation-worker.service';
import type { OpenedSheet } from '../workers/painting-api';
import type { Forecast, Morning, SheetPlace } from '../workers/sheet-jobs';
import { Messages } from './messages.service';
import { PaintingService } from './painting.service';
import { Search } from './search';

/** What is worked out of sheets beside the one under the hand: how they dry, what would help, how two differ. */
@Injectable({ providedIn: 'root' })
export class SheetsService {
  private readonly worker = inject(SimulationWorker);
  private readonly painting = inject(PaintingService);
  private readonly messages = inject(Messages);
  private readonly search = new Search();

  /** Share done of what is being worked out; `null` when nothing is. */
  readonly progress = this.search.share;

  morning(id: string, pxPerMm = SCREEN_PX_MM): Promise<Morning | null> {
    return this.workOut(id, (sheet) => this.worker.morning({ sheet, pxPerMm }));
  }

  forecast(id: string, remedy: Pick<Remedy, 'steps'>, place: SheetPlace): Promise<Forecast | null> {
    return this.workOut(id, (sheet) => this.worker.forecast({ sheet, remedy, place }));
  }

  openRaster(id: string, spans: readonly LayerSpan[]): Promise<Uint8Array | null> {
    return this.workOut(id, (sheet) => this.worker.openRaster({ sheet, spans }));
  }

  /** Where two sheets differ next morning. */
  async compare(one: Morning, other: Morning): Promise<Difference | null> {
    return firstValueFrom(this.worker.compare({ one, other })).catch((cause: unknown) => this.fails(cause));
  }

  stop(): void {
    this.search.stop();
  }

  private async workOut<Answer>(
    id: string,
    work: (sheet: OpenedSheet) => Observable<{ readonly share: number } | { readonly answer: Answer }>,
  ): Promise<Answer | null> {
    const sheet = await this.painting.asKept(id);
    if (!sheet) return null;
    try {
      return await this.search.find(work(sheet));
    } catch (cause) {
      return this.fails(cause);
    }
  }

  private fails(cause: unknown): null {
    this.messages.stop(
      `It could not be worked out: ${cause instanceof Error ? cause.message : String(cause)}.`,
      'The sheets are as they were.',
    );
    return null;
  }
}
