import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { FormsModule } from '@angular/forms';
import type { ClockOrder } from '@kettle/core/simulation/water';
import { PaintingService } from '../../../state/painting.service';
import { PlanStore } from '../../../state/plan-store';
import { Choice } from '../../../ui/choice.component';
import { HeldRow } from '../../../ui/held-row.component';
import { Swatch } from '../../../ui/swatch.component';
import { mixLooks } from '../../colours/colours.view';
import { HandService } from './hand.service';
import { BOARD, clockInWords, LOADS, TILTS, TOOLS } from './painting.view';

/** What the hand holds, what is on it, and how the paper’s clock goes: the three things chosen without leaving the sheet. */
@Component({
  selector: 'kd-plates',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [FormsModule, Choice, HeldRow, Swatch],
  templateUrl: './plates.component.html',
  styleUrl: './plates.component.scss',
})
export class Plates {
  private readonly painting = inject(PaintingService);
  private readonly store = inject(PlanStore);
  readonly hand = inject(HandService);
  readonly plan = this.store.plan;

  readonly tools = [...TOOLS.map(({ id, name }) => ({ id, name })), { id: BOARD, name: 'the board itself' }];
  readonly loads = LOADS;
  readonly rates = [
    { id: 0, name: 'waits' },
    { id: 1, name: 'real time' },
    { id: 4, name: '×4' },
    { id: 20, name: '×20' },
  ] as const;
  readonly tilts = TILTS;
  readonly ways = [
    { id: true, name: 'dipped anew' },
    { id: false, name: 'as it is' },
  ] as const;
  readonly strengths = [
    { id: false, name: 'even' },
    { id: true, name: 'loose' },
  ] as const;

  readonly isBrush = computed(() => !this.hand.holdsBoard() && this.hand.held().tool.kind === 'brush');
  readonly carries = computed(() => !this.hand.holdsBoard() && this.hand.held().tool.carries);
  readonly takesUp = computed(() => ['tissue', 'foam', 'scrub'].includes(this.hand.held().tool.kind));
  readonly mixes = computed(() => (this.plan() ? mixLooks(this.plan()!) : []));
  readonly stencils = computed(() => [
    { id: null, name: 'no stencil' },
    ...(this.plan()?.areas ?? []).map(({ id, name }) => ({ id, name: `a stencil of the ${name}` })),
  ]);
  readonly rate = computed(() => this.painting.news()?.rate ?? 0);
  readonly runsAhead = computed(() => this.painting.news()?.runsAhead ?? false);
  readonly clock = computed(() => (this.painting.news() ? clockInWords(this.painting.news()!) : ''));
  readonly lies = computed(() => {
    const tilt = this.painting.sheet()?.acts.findLast(({ act }) => act.kind === 'tilt')?.act;
    return tilt?.kind === 'tilt' ? `${tilt.xDeg} ${tilt.yDeg}` : '0 0';
  });

  go(order: ClockOrder): void {
    this.painting.clock(order);
  }

  lay(tilt: string): void {
    const [xDeg, yDeg] = tilt.split(' ').map(Number);
    void this.painting.act({ kind: 'tilt', xDeg, yDeg });
  }
}
