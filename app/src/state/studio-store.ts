import { inject, Injectable, signal } from '@angular/core';
import { readStudio } from '@kettle/core/formats';
import { NEW_STUDIO, type Studio } from '@kettle/core/plan';
import { formatLength } from '@kettle/core/units';
import { Database } from './database';

/** The studio: whose table it is, its usual air and paper, mm or inch. */
@Injectable({ providedIn: 'root' })
export class StudioStore {
  private readonly db = inject(Database);
  readonly studio = signal<Studio>(NEW_STUDIO);

  async load(): Promise<void> {
    const note = await this.db.notes.get('studio');
    if (note) this.studio.set(readStudio(note.value));
  }

  async change(change: Partial<Studio>): Promise<void> {
    const studio = readStudio({ ...this.studio(), ...change });
    this.studio.set(studio);
    await this.db.notes.put({ key: 'studio', value: studio });
  }

  /** A length in the unit of the table. */
  length(mm: number): string {
    return formatLength(mm, this.studio().lengthUnit);
  }
}
