import { inject, Injectable, signal } from '@angular/core';
import * as z from 'zod';
import { readPlan, readStudio } from '@kettle/core/versions';
import { madeAgain, newPlan, type Beginning, type Plan } from '@kettle/core/plan';
import { BadInput, readInput } from '@kettle/core/units';
import { Database } from './database';
import { PlanArchive, type UnreadablePlan } from './plan-archive';
import { PlanStore } from './plan-store';
import { StudioStore } from './studio-store';

const demoIndexSchema = z.strictObject({ studio: z.string(), cards: z.array(z.string()) });

/** All cards of this browser: begun, opened from files, saved to files, put away. */
@Injectable({ providedIn: 'root' })
export class CardShelf {
  private readonly db = inject(Database);
  private readonly archive = new PlanArchive(this.db);
  private readonly store = inject(PlanStore);
  private readonly studio = inject(StudioStore);

  readonly cards = signal<readonly Plan[]>([]);
  readonly unreadable = signal<readonly UnreadablePlan[]>([]);

  async refresh(): Promise<void> {
    await this.store.settled();
    const { plans, unreadable } = await this.archive.all();
    this.cards.set(plans);
    this.unreadable.set(unreadable);
  }

  /** Begins a card and returns its id. */
  async begin(beginning: Omit<Beginning, 'id'>): Promise<string> {
    const id = newCardId();
    await this.archive.save(newPlan({ ...beginning, id }, this.studio.studio()), 0);
    await this.refresh();
    return id;
  }

  /** Puts a card on the rack again, to be made for another day or person; returns the new one's id. */
  async makeAgain(plan: Plan): Promise<string> {
    const id = newCardId();
    for (const [name, bytes] of Object.entries(await this.archive.attachmentsOf(plan)))
      await this.archive.attach(id, name, bytes);
    await this.archive.save(madeAgain(plan, id), 0);
    await this.refresh();
    return id;
  }

  async remove(id: string): Promise<void> {
    if (this.store.plan()?.id === id) await this.store.close();
    await this.archive.remove(id);
    await this.refresh();
  }

  /** Opens a `.kettle` file; a card that is here already is kept and the file comes beside it. Throws `BadInput`. */
  async openFile(bytes: Uint8Array): Promise<string> {
    const { readKettleFile } = await import('@kettle/core/formats');
    const { plan, attachments } = readKettleFile(bytes);
    const taken = this.cards().some(({ id }) => id === plan.id);
    const id = taken ? newCardId() : plan.id;
    for (const [name, content] of Object.entries(attachments)) await this.archive.attach(id, name, content);
    await this.archive.save({ ...plan, id }, 0);
    await this.refresh();
    return id;
  }

  /** The bytes of a card as a `.kettle` file. */
  async fileOf(plan: Plan): Promise<Uint8Array> {
    const { writeKettleFile } = await import('@kettle/core/formats');
    return writeKettleFile({ plan, attachments: await this.archive.attachmentsOf(plan) });
  }

  private starting: Promise<string | null> | null = null;

  /** On the very first start: the demo studio and its finished cards. Returns the first card's id, or `null` on later starts. */
  firstStart(): Promise<string | null> {
    return (this.starting ??= this.start());
  }

  private async start(): Promise<string | null> {
    if (await this.db.notes.get('started')) return null;
    const id = await this.putDemoBack();
    await this.db.notes.put({ key: 'started', value: true });
    return id;
  }

  /** Puts the demo card back as it was shipped. Other cards are not touched. */
  async putDemoBack(): Promise<string> {
    const index = readInput(demoIndexSchema, await (await fetchDemo('index.json')).json());
    if (!(await this.db.notes.get('studio')))
      await this.studio.change(readStudio(await (await fetchDemo(index.studio)).json()));
    const ids: string[] = [];
    for (const card of index.cards) {
      const plan = readPlan(await (await fetchDemo(card)).json());
      if (this.store.plan()?.id === plan.id) await this.store.close();
      await this.archive.remove(plan.id);
      await this.archive.save(plan, 0);
      ids.push(plan.id);
    }
    await this.refresh();
    return ids[0];
  }
}

const newCardId = (): string => `card-${crypto.randomUUID().slice(0, 8)}`;

async function fetchDemo(name: string): Promise<Response> {
  const response = await fetch(`/demo/${name}`);
  if (!response.ok) throw new BadInput('demo', `${name} did not load (${response.status})`);
  return response;
}
