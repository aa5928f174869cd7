import { inject, Injectable, signal } from '@angular/core';
import { readStudio } from '@kettle/core/formats';
import { NEW_STUDIO, type Studio } from '@kettle/core/plan';
import { formatLength } from '@kettle/core/units';
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

  async change(change: Partial<Studio>): Promise<void> {
    const studio = readStudio({ ...this.studio(), ...change });
    this.studio.set(studio);
    try {
      await this.db.notes.put({ key: 'studio', value: studio });
    } catch (cause) {
      this.messages.notSaved(cause);
    }
  }

  /** A length in the unit of the table. */
  length(mm: number): string {
    return formatLength(mm, this.studio().lengthUnit);
  }
}
