import { inject, Injectable, signal } from '@angular/core';
import type { Difference, LayerSpan, Remedy } from '@kettle/core/trials';
import { SimulationWorker, type Running } from '../workers/simulation-worker.service';
import type { OpenedSheet } from '../workers/painting-api';
import type { Forecast, Morning, Place } from '../workers/sheet-jobs';
import { Messages } from './messages.service';
import { PaintingService } from './painting.service';

/** What is worked out of sheets beside the one under the hand: how they dry, what would help, how two differ. */
@Injectable({ providedIn: 'root' })
export class SheetsService {
  private readonly worker = inject(SimulationWorker);
  private readonly painting = inject(PaintingService);
  private readonly messages = inject(Messages);
  private running: Running<unknown> | null = null;

  /** Share done of what is being worked out; `null` when nothing is. */
  readonly progress = signal<number | null>(null);

  morning(id: string): Promise<Morning | null> {
    return this.workOut(id, (sheet, tell) => this.worker.morning(sheet, tell));
  }

  forecast(id: string, remedy: Pick<Remedy, 'steps'>, place: Place): Promise<Forecast | null> {
    return this.workOut(id, (sheet, tell) => this.worker.forecast(sheet, remedy, place, tell));
  }

  openRaster(id: string, spans: readonly LayerSpan[]): Promise<Uint8Array | null> {
    return this.workOut(id, (sheet, tell) => this.worker.openRaster(sheet, spans, tell));
  }

  /** Where two sheets differ next morning. */
  async compare(one: Morning, other: Morning): Promise<Difference | null> {
    return this.worker.compare(one, other).catch((cause: unknown) => this.fails(cause));
  }

  stop(): void {
    this.running?.cancel();
    this.running = null;
    this.progress.set(null);
  }

  private async workOut<Answer>(
    id: string,
    start: (sheet: OpenedSheet, tell: (share: number) => void) => Running<Answer>,
  ): Promise<Answer | null> {
    const sheet = await this.painting.asKept(id);
    if (!sheet) return null;
    this.progress.set(0);
    const running = start(sheet, (share) => this.progress.set(share));
    this.running = running;
    try {
      return await running.ended;
    } catch (cause) {
      return this.fails(cause);
    } finally {
      if (this.running === running) this.progress.set(null);
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
