import { inject, Injectable, signal } from '@angular/core';
import { readStudio } from '@kettle/core/versions';
import { dayOf } from '@kettle/core/occasion';
import { NEW_STUDIO, type Studio } from '@kettle/core/plan';
import { BadInput, formatLength } from '@kettle/core/units';
import type { Desk } from '../workers/table-api';
import { Database } from './database';
import { Messages } from './messages.service';

/** The studio: whose table it is, its usual air and paper, mm or inch. */
@Injectable({ providedIn: 'root' })
export class StudioStore {
  private readonly db = inject(Database);
  private readonly messages = inject(Messages);
  readonly studio = signal<Studio>(NEW_STUDIO);

  async load(): Promise<void> {
    const note = await this.db.notes.get('studio');
    if (note) this.studio.set(readStudio(note.value));
  }

  /** Changes the studio at once and keeps it. `false`, and said, when no studio can be so or it could not be saved. */
  async change(change: Partial<Studio>): Promise<boolean> {
    try {
      const studio = readStudio({ ...this.studio(), ...change });
      this.studio.set(studio);
      await this.db.notes.put({ key: 'studio', value: studio });
      return true;
    } catch (cause) {
      if (cause instanceof BadInput) this.messages.stop(`${cause.message}.`, 'Nothing was changed.');
      else this.messages.notSaved(cause);
      return false;
    }
  }

  /** What today’s table asks of a plan: its dish, and the evenings that are left. */
  desk(): Desk {
    const { dish, evenings, letter } = this.studio();
    return { dish, evenings, letter, today: dayOf(new Date()) };
  }

  /** A length in the unit of the table. */
  length(mm: number): string {
    return formatLength(mm, this.studio().lengthUnit);
  }
}
