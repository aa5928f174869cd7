import { ChangeDetectionStrategy, Component, inject, output, signal } from '@angular/core';
import { paintedOf, type Command } from '@kettle/core/document/plan';
import type { LineKind } from '@kettle/core/drawing/sketch';
import { placeOnPanel, readSvg, readTraceSheet } from '@kettle/core/drawing/tracing';
import { BadInput } from '@kettle/core/kit/units';
import { textOf } from '../../data/read-file';
import { Messages } from '../../state/messages.service';
import { PlanStore } from '../../state/plan-store';
import { Choice } from '../../ui/choice.component';

const KINDS: readonly { readonly id: LineKind; readonly name: string }[] = [
  { id: 'pencil', name: 'as pencil' },
  { id: 'waterproof-ink', name: 'as waterproof ink' },
  { id: 'soluble-ink', name: 'as soluble ink' },
  { id: 'stamped', name: 'as a pale guide' },
];

/** A drawing from a file laid on the panel: its lines and nothing else of it. */
@Component({
  selector: 'kd-tracing',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Choice],
  template: `
    <section>
      <h2>Tracing</h2>
      <p>
        An SVG is laid on the panel at its true size, or as large as goes. Only its lines come along: they can
        be taken up, turned and rubbed out as any others. A trace sheet of ours opens as it was.
      </p>
      <div class="row">
        <kd-choice
          label="Traced lines are drawn"
          [options]="kinds"
          [value]="kind()"
          (valueChange)="kind.set($event)"
        />
        <button class="plain" type="button" (click)="file.click()">Lay a drawing on the panel</button>
        <input
          #file
          type="file"
          accept=".svg,image/svg+xml"
          hidden
          data-testid="trace-file"
          (change)="open(file)"
        />
      </div>
      @if (says()) {
        <p role="status" data-testid="traced">{{ says() }}</p>
      }
    </section>
  `,
  styleUrl: './leaf.scss',
})
export class Tracing {
  private readonly store = inject(PlanStore);
  private readonly messages = inject(Messages);
  /** The lines that have come are in the hand. */
  readonly pick = output<readonly string[]>();
  readonly kinds = KINDS;
  readonly kind = signal<LineKind>('stamped');
  readonly says = signal('');

  async open(input: HTMLInputElement): Promise<void> {
    const file = input.files?.[0];
    if (!file) return;
    this.says.set('');
    try {
      this.lay(file.name, await textOf(file));
    } catch (cause) {
      if (!(cause instanceof BadInput)) throw cause;
      this.messages.stop(`${file.name}: the ${cause.message}.`, 'Nothing was laid on the panel.');
    } finally {
      // The same file may be chosen again.
      input.value = '';
    }
  }

  private lay(name: string, text: string): void {
    const own = readTraceSheet(text, newId);
    if (own) {
      this.draw(
        own.lines.map(({ id }) => id),
        [
          { do: 'redraw-lines', gone: [], lines: own.lines },
          ...own.areas.map((area): Command => ({ do: 'add-area', area })),
        ],
      );
      this.says.set(`${name}: ${own.lines.length} lines and ${own.areas.length} areas, just as they were.`);
      return;
    }
    const drawing = readSvg(text);
    const { lines, scale } = placeOnPanel(drawing, paintedOf(this.store.plan()!).panel, this.kind(), newId);
    this.draw(
      lines.map(({ id }) => id),
      [{ do: 'redraw-lines', gone: [], lines }],
    );
    const size = scale === 1 ? 'at true size' : `at ${Math.round(100 * scale)} % of its size`;
    const left = drawing.leftOut.length > 0 ? ` Left out: ${drawing.leftOut.join(', ')}.` : '';
    this.says.set(`${name}: ${lines.length} ${lines.length === 1 ? 'line' : 'lines'} ${size}.${left}`);
  }

  private draw(lines: readonly string[], commands: Command[]): void {
    this.store.do(...commands);
    this.pick.emit(lines);
  }
}

const newId = (): string => `traced-${crypto.randomUUID().slice(0, 8)}`;
