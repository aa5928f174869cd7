import { ChangeDetectionStrategy, Component, computed, inject, input, signal } from '@angular/core';
import { firstValueFrom } from 'rxjs';
import { Button } from 'primeng/button';
import { pictureHref } from '../../panel/picture-href';
import { Messages } from '../../state/messages.service';
import { PlanStore } from '../../state/plan-store';
import { Choice } from '../../ui/choice.component';
import { SimulationWorker } from '../../workers/simulation-worker.service';
import type { RankedWhite } from '../../workers/table-api';
import { patchesFor } from './patches.view';

interface Patch {
  readonly name: string;
  readonly href: string;
  readonly lightness: number;
}

/** The same white kept by several ways on patches of the card’s paper, simulated, side by side. */
@Component({
  selector: 'kd-ways-compared',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Button, Choice],
  template: `
    <section>
      <h2>Ways compared</h2>
      <p>
        A round white on a patch of this paper, washed with what crosses it here, kept each way and dry. All
        under one light.
      </p>
      @if (areas().length > 0) {
        <div class="row">
          <kd-choice
            label="What is compared"
            [options]="areas()"
            [value]="area()"
            (valueChange)="choose($event)"
          />
          <p-button
            label="Try it on scrap"
            severity="secondary"
            [outlined]="true"
            [disabled]="busy() || !facts()"
            (onClick)="tryAll()"
          />
        </div>
      } @else {
        <p class="soft">Mark areas at Sketch first.</p>
      }
      <p role="status" class="soft">{{ busy() ? 'It is being painted…' : says() }}</p>
      @for (patch of patches(); track patch.name) {
        <figure>
          <img [src]="patch.href" [alt]="patch.name" />
          <figcaption>{{ patch.name }}<br />L* {{ patch.lightness.toFixed(0) }}</figcaption>
        </figure>
      }
    </section>
  `,
  styleUrl: '../sketch/leaf.scss',
  styles: `
    figure {
      display: inline-block;
      width: 46%;
      margin: 10px 4% 6px 0;
    }
    img {
      display: block;
      width: 100%;
    }
    figcaption {
      font-size: 15px;
    }
  `,
})
export class WaysCompared {
  private readonly store = inject(PlanStore);
  private readonly worker = inject(SimulationWorker);
  private readonly messages = inject(Messages);
  private readonly chosen = signal<string | null>(null);
  /** What is known of each area that may be kept white. */
  readonly ranked = input.required<readonly RankedWhite[]>();
  readonly patches = signal<readonly Patch[]>([]);
  readonly busy = signal(false);
  readonly says = signal('');
  readonly areas = computed(() => {
    const plan = this.store.plan();
    const kept = new Set((plan?.whites ?? []).map(({ area }) => area));
    const all = (plan?.areas ?? []).map(({ id, name }) => ({ id, name }));
    return [...all.filter(({ id }) => kept.has(id)), ...all.filter(({ id }) => !kept.has(id))];
  });
  readonly area = computed(
    () => this.chosen() ?? (this.areas() as readonly ({ id: string } | undefined)[])[0]?.id ?? null,
  );

  readonly facts = computed(() => this.ranked().find(({ area }) => area === this.area())?.facts);

  choose(area: string): void {
    this.chosen.set(area);
    this.patches.set([]);
  }

  async tryAll(): Promise<void> {
    const [plan, area] = [this.store.plan()!, this.area()!];
    const { crossed, patches } = patchesFor(plan, area, this.facts()!);
    this.patches.set([]);
    this.busy.set(true);
    try {
      for (const { name, simulation } of patches) {
        const look = await firstValueFrom(this.worker.patch(simulation));
        this.patches.update((before) => [
          ...before,
          { name, href: pictureHref(look), lightness: look.lightness },
        ]);
      }
      this.says.set(crossed ? '' : 'Nothing crosses it yet: plan a pass over it first.');
    } catch (cause) {
      this.messages.stop(
        `The patches could not be painted: ${cause instanceof Error ? cause.message : String(cause)}.`,
        'The card is safe.',
      );
    } finally {
      this.busy.set(false);
    }
  }
}
