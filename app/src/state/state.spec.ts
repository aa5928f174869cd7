import { beforeEach, describe, expect, it } from 'vitest';
import { newPlan, NEW_STUDIO, type Command, type Plan } from '@kettle/core/plan';
import { Database } from './database';
import { PlanArchive } from './plan-archive';
import { PlanHistory } from './plan-history';

const begun = (): Plan =>
  newPlan(
    { id: 'card', title: 'Card', occasion: 'thanks', envelope: { widthMm: 162, heightMm: 114 } },
    NEW_STUDIO,
  );
const rename = (title: string): Command => ({ do: 'rename', title });

describe('history', () => {
  it('undoes and redoes without limit, back to the very first plan', () => {
    const history = new PlanHistory(begun());
    for (let i = 0; i < 300; i++) history.do([rename(`Card ${i}`)]);
    while (history.canUndo) history.undo();
    expect(history.plan).toEqual(begun());
    while (history.canRedo) history.redo();
    expect(history.plan.title).toBe('Card 299');
  });

  it('a new change drops what was undone; one that changes nothing is no step', () => {
    const history = new PlanHistory(begun());
    history.do([rename('A')]);
    history.undo();
    history.do([rename('B')]);
    expect(history.canRedo).toBe(false);
    expect(history.do([rename('B')])).toEqual([]);
    history.undo();
    expect(history.canUndo).toBe(false);
  });
});

describe('archive', () => {
  let db: Database;
  let archive: PlanArchive;
  let name = 0;

  beforeEach(() => {
    db = new Database(`test-${name++}`);
    archive = new PlanArchive(db);
  });

  it('finds every journalled change again, undo included, though the plan was never saved whole since', async () => {
    const history = new PlanHistory(begun());
    await archive.save(history.plan, 0);
    let seq = 0;
    for (const patches of [history.do([rename('A')]), history.do([rename('B')]), history.undo()])
      await archive.append('card', ++seq, patches);
    expect(await archive.read('card')).toEqual({ plan: history.plan, seq: 3 });
    expect((await archive.read('card'))!.plan.title).toBe('A');
  });

  it('a whole save drops only what it contains', async () => {
    const history = new PlanHistory(begun());
    await archive.save(history.plan, 0);
    await archive.append('card', 1, history.do([rename('A')]));
    const atOne = history.plan;
    await archive.append('card', 2, history.do([rename('B')]));
    await archive.save(atOne, 1);
    expect(await db.journal.count()).toBe(1);
    expect((await archive.read('card'))!.plan.title).toBe('B');
  });

  it('stops at a gap in the journal rather than apply what does not follow', async () => {
    const history = new PlanHistory(begun());
    await archive.save(history.plan, 0);
    await archive.append('card', 1, history.do([rename('A')]));
    history.do([rename('lost')]);
    await archive.append('card', 3, history.do([{ do: 'set-brief', change: { copies: 9 } }]));
    expect(await archive.read('card')).toMatchObject({ seq: 1, plan: { title: 'A', brief: { copies: 1 } } });
  });

  it('leaves a card it cannot read untouched and says why', async () => {
    await archive.save(begun(), 0);
    const newer = { ...begun(), id: 'newer', version: 9 };
    await db.plans.put({ id: 'newer', plan: newer, seq: 0, changedAt: 0 });
    const { plans, unreadable } = await archive.all();
    expect(plans.map(({ id }) => id)).toEqual(['card']);
    expect(unreadable[0]).toMatchObject({ id: 'newer', fault: expect.stringContaining('newer') as string });
    expect((await db.plans.get('newer'))!.plan).toEqual(newer);
  });

  it('keeps the pieces of a stroke in order and forgets them when it is a line', async () => {
    await archive.keepStroke('card', 's1', [
      [1, 2, 0.5],
      [3, 4, 0.5],
    ]);
    await archive.keepStroke('card', 's1', [[5, 6, 0.5]]);
    await archive.keepStroke('other', 's2', [[0, 0, 1]]);
    expect(await archive.lostStrokes('card')).toEqual([
      {
        stroke: 's1',
        points: [
          [1, 2, 0.5],
          [3, 4, 0.5],
          [5, 6, 0.5],
        ],
      },
    ]);
    await archive.dropStroke('card', 's1');
    expect(await archive.lostStrokes('card')).toEqual([]);
    expect(await db.strokes.count()).toBe(1);
  });

  it('removes a card with all that belongs to it', async () => {
    await archive.save(begun(), 0);
    await archive.append('card', 1, []);
    await archive.keepStroke('card', 's', [[1, 1, 1]]);
    await archive.remove('card');
    expect([await db.plans.count(), await db.journal.count(), await db.strokes.count()]).toEqual([0, 0, 0]);
  });
});
