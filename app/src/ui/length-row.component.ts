import { ChangeDetectionStrategy, Component, input, output } from '@angular/core';
import { LengthField } from './length-field.component';
import type { LengthOf } from './length-of';

/** Some lengths of one thing side by side; tells the thing as it becomes. */
@Component({
  selector: 'kd-length-row',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [LengthField],
  template: `
    <div class="row">
      @for (field of fields(); track $index) {
        <kd-length-field
          [label]="field.label"
          [mm]="field.mm"
          [signed]="field.signed"
          (mmChange)="become.emit(field.set($event))"
        />
      }
    </div>
  `,
})
export class LengthRow<T> {
  readonly fields = input.required<readonly LengthOf<T>[]>();
  readonly become = output<T>();
}
