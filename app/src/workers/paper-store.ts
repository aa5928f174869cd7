import Dexie, { type EntityTable } from 'dexie';
import type { RestartMoment } from '@kettle/core/simulation/water';

/** Paper as it was when a sheet was last put away, so that it need not be painted again from the start. */
export interface StoredPaper {
  readonly key: string;
  /** Of the program that worked it out. */
  readonly version: string;
  /** How many acts of the sheet it has seen, and what they were. */
  readonly acts: number;
  readonly actsMark: string;
  readonly states: readonly RestartMoment[];
}

/** Where papers are kept between two openings. */
export interface PaperStore {
  load(key: string): Promise<StoredPaper | null>;
  save(paper: StoredPaper): Promise<void>;
  forget(key: string): Promise<void>;
}

/** Papers in this browser; they can always be worked out again, so nothing depends on them. */
export class BrowserPapers extends Dexie implements PaperStore {
  private readonly papers!: EntityTable<StoredPaper, 'key'>;

  constructor() {
    super('kettle-drift-papers');
    this.version(1).stores({ papers: 'key' });
  }

  async load(key: string): Promise<StoredPaper | null> {
    return (await this.papers.get(key)) ?? null;
  }

  async save(paper: StoredPaper): Promise<void> {
    await this.papers.put(paper);
  }

  async forget(key: string): Promise<void> {
    await this.papers.delete(key);
  }
}
