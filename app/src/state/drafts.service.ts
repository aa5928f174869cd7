import { inject, Injectable } from '@angular/core';
import { NavigationEnd, Router } from '@angular/router';
import { filter } from 'rxjs';
import { fieldAt, fieldPlace, writeInto, writtenField, type WrittenField } from '../data/draft-field';
import { tabLock } from '../data/locks';
import { draftSchema, type Draft } from '../data/rows';
import { Messages } from './messages.service';
import { PlanStore } from './plan-store';
import { Storage } from './storage.service';

/** What is being written is kept when the hand has rested for so long, and at least twice so often, ms. */
const KEEPS_AFTER_MS = 300;
const KEEPS_EVERY_MS = 600;

/** A station's fields are waited for so long, ms. */
const STANDS_WITHIN_MS = 4000;

/** So much of a text is quoted, characters. */
const MOST_QUOTED = 60;

/** A field under the hand. */
interface Writing {
  readonly field: WrittenField;
  /** What stood there before. */
  readonly was: string;
  readonly key: string;
}

/**
 * Text in a field is taken by the plan when the field is left. Until then it is kept here, a moment after each letter, and put
 * back after a tab was lost.
 */
@Injectable({ providedIn: 'root' })
export class Drafts {
  private readonly storage = inject(Storage);
  private readonly store = inject(PlanStore);
  private readonly router = inject(Router);
  private readonly messages = inject(Messages);
  private writing: Writing | null = null;
  private keeping: ReturnType<typeof setTimeout> | undefined;
  private keptMs = 0;
  /** Texts that have been offered since the page was loaded, by their keys. */
  private readonly told = new Set<string>();

  /** From now on what is written in any field is kept. */
  watch(): void {
    document.addEventListener('focusin', ({ target }) => this.begin(writtenField(target)), true);
    document.addEventListener('input', ({ target }) => this.written(writtenField(target)), true);
    document.addEventListener('change', ({ target }) => this.left(writtenField(target)));
    this.store.refused$.subscribe(() => this.putRight());
    this.router.events
      .pipe(filter((event) => event instanceof NavigationEnd))
      .subscribe(() => void this.offer());
    void this.offer();
  }

  private begin(field: WrittenField | null): void {
    const place = field && fieldPlace(field);
    this.writing = field && {
      ...{ field, was: field.value },
      key: JSON.stringify([this.storage.tab, this.router.url, place?.label, place?.nth]),
    };
  }

  private written(field: WrittenField | null): void {
    if (!field) return;
    if (this.writing?.field !== field) this.begin(field);
    clearTimeout(this.keeping);
    const wait = Math.min(KEEPS_AFTER_MS, Math.max(0, this.keptMs + KEEPS_EVERY_MS - performance.now()));
    this.keeping = setTimeout(() => this.keep(), wait);
  }

  private keep(): void {
    if (!this.writing) return;
    this.keptMs = performance.now();
    const { field, key, was } = this.writing;
    const draft: Draft = {
      ...{ key, was, tab: this.storage.tab, path: this.router.url, ...fieldPlace(field) },
      ...{ text: field.value.slice(0, 20_000), at: Date.now() },
    };
    this.ask(() => this.storage.db.drafts.put(draft));
  }

  /** The plan has taken what was written, or refused it: it is forgotten once that is kept. */
  private left(field: WrittenField | null): void {
    if (!field || this.writing?.field !== field) return;
    clearTimeout(this.keeping);
    const { key } = this.writing;
    this.writing = { ...this.writing, was: field.value };
    this.ask(async () => {
      await this.store.settled();
      if (this.store.open()?.kept !== 'not-kept') await this.storage.db.drafts.delete(key);
    });
  }

  /** What was refused must not go on standing in its field. */
  private putRight(): void {
    const { writing } = this;
    if (!writing) return;
    const { field, was } = writing;
    setTimeout(() => {
      field.value = was;
      if (this.writing?.field === field) this.writing = { ...this.writing, was };
    });
  }

  /** Puts back what was being written here when a tab was lost; asks first where the field has changed since, and for a number. */
  private async offer(): Promise<void> {
    const drafts = await this.lost();
    for (const draft of drafts.filter(({ path }) => path === this.router.url)) {
      const field = await standing(draft);
      if (!this.mayWrite(draft)) continue;
      if (field?.value === draft.was && !isMeasure(draft.text)) await this.putBack(draft, field);
      else if (field?.value === draft.text) await this.forget(draft);
      else this.tell(draft, field);
    }
    const elsewhere = drafts.filter(({ path }) => path !== this.router.url && this.belongsHere(path));
    if (elsewhere.length > 0)
      this.messages.offer(
        `“${elsewhere[0].text.slice(0, MOST_QUOTED)}” was being written when the tab was lost.`,
        'It has been kept.',
        { label: 'Go to it', run: () => this.router.navigateByUrl(elsewhere[0].path) },
        { label: 'Let it go', run: () => this.forget(elsewhere[0]) },
      );
  }

  private async putBack(draft: Draft, field: WrittenField): Promise<void> {
    this.begin(field);
    writeInto(field, draft.text);
    await this.store.settled();
    await this.forget(draft);
    this.messages.offer(
      `“${draft.text.slice(0, MOST_QUOTED)}” was being written here when the tab was lost, and has been put back.`,
      '',
    );
  }

  /** Offers a text until the painter has said what is to become of it; told once, it is kept until then. */
  private tell(draft: Draft, field: WrittenField | null): void {
    if (this.told.has(draft.key)) return;
    this.told.add(draft.key);
    const then = (does: () => unknown) => async (): Promise<void> => {
      await does();
      await this.forget(draft);
    };
    this.messages.offer(
      `“${draft.text.slice(0, MOST_QUOTED)}” was being written in “${draft.label}” when the tab was lost.`,
      'It has been kept.',
      ...(field ? [{ label: 'Put it back', run: then(() => writeInto(field, draft.text)) }] : []),
      { label: 'Copy it', run: then(() => navigator.clipboard.writeText(draft.text)) },
      { label: 'Let it go', run: then(() => undefined) },
    );
  }

  private async lost(): Promise<Draft[]> {
    const { db, locks, watch, tab } = this.storage;
    try {
      const rows = await watch.read(() => db.drafts.toArray());
      if (rows.length === 0) return [];
      const open = await locks.taken();
      // One that does not read is nobody's text, and must not stand in the way of the others.
      return rows
        .flatMap((row) => draftSchema.safeParse(row).data ?? [])
        .filter((draft) => draft.tab !== tab && !open.has(tabLock(draft.tab)));
    } catch (cause) {
      if (!watch.hasTold(cause)) throw cause;
      return [];
    }
  }

  private forget({ key }: Draft): Promise<void> {
    return this.storage.db.drafts.delete(key);
  }

  private mayWrite({ path }: Draft): boolean {
    return !path.startsWith('/card/') || (this.store.open()?.mayWrite ?? false);
  }

  /** Of the same card as is on the table, or of a room where none is. */
  private belongsHere(path: string): boolean {
    const card = this.store.plan()?.id;
    return card === undefined ? !path.startsWith('/card/') : path.startsWith(`/card/${card}/`);
  }

  private ask(question: () => PromiseLike<unknown>): void {
    // What goes wrong is told by the watch; the text still stands in its field.
    this.storage.watch.write(question).catch(() => undefined);
  }
}

/** A number or a length: one that is cut short is another, and would be taken for what was meant. */
const isMeasure = (text: string): boolean => /^\s*[-+]?\d[\d.,/ ]*(mm|in|%|″|")?\s*$/i.test(text);

/** The field of a draft, once its page stands. */
async function standing({ label, nth }: Draft): Promise<WrittenField | null> {
  for (let waited = 0; waited < STANDS_WITHIN_MS; waited += 100) {
    const field = fieldAt(label, nth);
    if (field) return field;
    await new Promise((resolve) => setTimeout(resolve, 100));
  }
  return null;
}
