import { readFileSync } from 'node:fs';
import { beforeEach, describe, expect, it } from 'vitest';
import { placeLines } from '@kettle/core/order/areas';
import { applyCommands, newPlan, NEW_STUDIO, type Command, type Plan } from '@kettle/core/document/plan';
import { moved, regionOfLine, rubbedLines, turned, type PencilPoint } from '@kettle/core/drawing/sketch';
import { newSheet } from '@kettle/core/advice/trials';
import { Safekeeping } from './safekeeping';
import { Database } from './database';
import { CardArchive, CardGone } from './card-archive';
import { damageOf, planOf } from './mending';
import { PlanHistory } from './plan-history';
import { isMissing, strokeMade } from './stroke-made';
import { cases } from '../../../core/src/testing/cases';

/** Acts that are done and taken back. */
const ACTS = cases(1000);

const readFixture = (name: string) =>
  JSON.parse(readFileSync(`core/src/document/versions/fixtures/${name}.json`, 'utf8')) as Plan;

const begun = (): Plan =>
  newPlan(
    { id: 'card', title: 'Card', occasion: 'thanks', envelope: { widthMm: 162, heightMm: 114 } },
    NEW_STUDIO,
  );
const drawn = (id: string, x: number, y: number): Command => ({
  do: 'add-line',
  line: { id, kind: 'pencil', points: ring(x, y) },
});
const ring = (x: number, y: number): PencilPoint[] =>
  Array.from({ length: 25 }, (_, i) => [
    x + 4 * Math.cos((i * Math.PI) / 12),
    y + 4 * Math.sin((i * Math.PI) / 12),
    i / 24,
  ]);
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

  it(`${ACTS} acts of drawing, rubbing out, placing and filling go back and come again, step by step`, () => {
    const history = new PlanHistory(begun());
    // Every plan by its place in the row; every fortieth is compared whole, all of them by their last change.
    const kept: Plan[] = [history.plan];
    const isSame = (plan: Plan, at: number): void => {
      expect([plan.lines.length, plan.areas.length, plan.title]).toEqual([
        kept[at].lines.length,
        kept[at].areas.length,
        kept[at].title,
      ]);
      if (at % 40 === 0) expect(JSON.stringify(plan)).toBe(JSON.stringify(kept[at]));
    };
    let n = 0;
    const act = (at: number): Command[] => {
      const { lines, areas } = history.plan;
      const [x, y] = [5 + ((at * 37) % 140), 5 + ((at * 53) % 95)];
      switch (at % 5) {
        case 1: {
          const { points, id } = lines[at % lines.length];
          const outline = regionOfLine(points);
          return outline
            ? [{ do: 'add-area', area: { id: `area-${at}`, name: `area ${at}`, outline, lines: [id] } }]
            : [rename(`Card ${at}`)];
        }
        case 2:
          return placeLines(history.plan, [lines[at % lines.length].id], turned(at, [x, y]));
        case 3:
          return [
            {
              do: 'redraw-lines',
              ...rubbedLines(
                lines,
                [
                  [x, y],
                  [x + 6, y],
                ],
                4,
                () => `rest-${n++}`,
              ),
            },
            rename(`Card ${at}`),
          ];
        case 4:
          return areas.length > 6
            ? [{ do: 'remove-area', area: areas[at % areas.length].id }]
            : placeLines(
                history.plan,
                lines.slice(0, 3).map(({ id }) => id),
                moved(1, -1),
              );
        default:
          return [drawn(`line-${at}`, x, y)];
      }
    };
    for (let at = 0; at < ACTS; at++) if (history.do(act(at)).length > 0) kept.push(history.plan);
    expect(kept.length).toBeGreaterThan(0.9 * ACTS);
    for (let at = kept.length - 2; at >= 0; at--) {
      history.undo();
      isSame(history.plan, at);
    }
    expect(history.canUndo).toBe(false);
    for (let at = 1; at < kept.length; at++) {
      history.redo();
      isSame(history.plan, at);
    }
    expect(history.plan).toEqual(kept[kept.length - 1]);
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
  let archive: CardArchive;
  let name = 0;

  beforeEach(() => {
    db = new Database(`test-${name++}`);
    archive = new CardArchive(db);
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

  it('keeps every line as it was drawn, to the last digit, and reads a card saved with its lines in it', async () => {
    const history = new PlanHistory(begun());
    history.do([drawn('one', 20, 20), drawn('two', 60.123456789, 40)]);
    await archive.save(history.plan, 1);
    expect((await db.plans.get('card'))!.plan).toMatchObject({ lines: [] });
    expect((await archive.read('card'))!.plan).toEqual(history.plan);
    await db.plans.put({ id: 'card', plan: history.plan, seq: 1, changedAt: 0 });
    expect((await archive.read('card'))!.plan).toEqual(history.plan);
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
    const newer = { ...begun(), id: 'newer', version: begun().version + 1 };
    await db.plans.put({ id: 'newer', plan: newer, seq: 0, changedAt: 0 });
    const { plans, unreadable } = await archive.all();
    expect(plans.map(({ id }) => id)).toEqual(['card']);
    expect(unreadable[0]).toMatchObject({ id: 'newer', fault: expect.stringContaining('newer') as string });
    expect((await db.plans.get('newer'))!.plan).toEqual(newer);
  });

  it('keeps the pieces of a stroke in order and forgets them when it is a line', async () => {
    await archive.keepStroke('card', 's1', { line: 'soluble-ink' }, [
      [1, 2, 0.5],
      [3, 4, 0.5],
    ]);
    await archive.keepStroke('card', 's1', { line: 'soluble-ink' }, [[5, 6, 0.5]]);
    await archive.keepStroke('other', 's2', { resist: { id: 'r', name: 'r', tool: 'wax' } }, [[0, 0, 1]]);
    expect(await archive.lostStrokes('card')).toEqual([
      {
        stroke: 's1',
        as: { line: 'soluble-ink' },
        points: [
          [1, 2, 0.5],
          [3, 4, 0.5],
          [5, 6, 0.5],
        ],
        painted: [],
      },
    ]);
    await archive.dropStroke('card', 's1');
    expect(await archive.lostStrokes('card')).toEqual([]);
    expect(await db.strokes.count()).toBe(1);
  });

  it('keeps a stroke of paint with the paper’s times unrounded, and makes it an act of its sheet once', async () => {
    const stroke = {
      ...({ kind: 'stroke', brush: 'round-8', load: 'loaded', dips: true, strength: 0.2 } as const),
      parts: [],
    };
    const as = { trial: 'sheet', stroke };
    const [one, two] = [0.1 + 0.2, 1 / 3];
    await archive.keepPainted('card', 'p1', as, [[1.005, 2, 0.5, one]]);
    await archive.keepPainted('card', 'p1', as, [[3, 4, 0.5, two]]);
    const [lost] = await archive.lostStrokes('card');
    expect(lost.painted).toEqual([
      [1.005, 2, 0.5, one],
      [3, 4, 0.5, two],
    ]);
    const bare = begun();
    expect(isMissing(bare, lost)).toBe(false);
    const sheet = newSheet(bare, { id: 'sheet', name: 'sheet', cellMm: 1 });
    const laid = applyCommands(bare, [{ do: 'lay-sheet', trial: sheet }]).plan;
    expect(isMissing(laid, lost)).toBe(true);
    const made = applyCommands(laid, [strokeMade(lost)]).plan;
    expect(made.trials[0].acts.at(-1)!.act).toMatchObject({ kind: 'stroke', atS: one });
    expect(isMissing(made, lost)).toBe(false);
    // The next stroke may begin at the same time of the paper: keys, and a quick hand, take none of it.
    expect(isMissing(made, { ...lost, stroke: 'p2', painted: [[9, 9, 0.5, one]] })).toBe(true);
    // What was kept of a stroke may be less than came into the plan.
    expect(isMissing(made, { ...lost, painted: lost.painted.slice(0, 1) })).toBe(false);
  });

  it('in the bin is neither read nor listed, and comes back whole', async () => {
    const keeping = new Safekeeping(db, archive);
    await archive.save(begun(), 0);
    await keeping.bin('card');
    expect([await archive.read('card'), await archive.ids(), (await archive.all()).plans]).toEqual([
      null,
      [],
      [],
    ]);
    expect(await keeping.binned()).toMatchObject([{ id: 'card', title: 'Card' }]);
    await expect(archive.create(begun())).rejects.toThrow(/already/);
    await keeping.takeOutOfBin('card');
    expect(await archive.read('card')).toEqual({ plan: begun(), seq: 0 });
    await keeping.bin('card');
    await keeping.clearOut(Date.now() + 29 * 86_400_000);
    expect(await keeping.binned()).toHaveLength(1);
    await keeping.clearOut(Date.now() + 31 * 86_400_000);
    expect(await db.plans.count()).toBe(0);
  });

  it('saved by an earlier program is kept as it was, and from then on journalled in its new shape', async () => {
    const old = { ...(readFixture('plan-v8') as object), id: 'card' };
    await db.plans.put({ id: 'card', plan: old, seq: 3, changedAt: 0 });
    const pass = { kind: 'pass', id: 'extra', name: 'extra', technique: 'flat-wash', mix: null, filmUm: 80 };
    const v8Pass = {
      ...pass,
      areas: [],
      handsS: null,
      start: 'when-dry',
      covers: 1,
      shields: [],
      strokes: [],
    };
    const at = readFixture('plan-v8').acts.length;
    await db.journal.add({
      planId: 'card',
      seq: 4,
      patches: [{ op: 'add', path: ['acts', at], value: v8Pass }],
    });
    const stored = (await archive.open('card'))!;
    expect(stored.plan.acts.at(-1)).toEqual({ ...v8Pass, also: [], spares: null });
    expect([await db.journal.count(), await db.snapshots.count()]).toEqual([0, 1]);
    await archive.append('card', 5, new PlanHistory(stored.plan).do([rename('After')]));
    expect(await archive.read('card')).toEqual({ plan: { ...stored.plan, title: 'After' }, seq: 5 });
    const [snapshot] = await new Safekeeping(db, archive).snapshots();
    expect(planOf(snapshot, 'again')).toEqual({ ...stored.plan, id: 'again' });
  });

  it('a row that is not as it should be is refused with its field, and can be mended', async () => {
    await archive.save(begun(), 0);
    await archive.append('card', 1, [{ op: 'replace', path: ['title'], value: 'A' }]);
    await db.journal.add({ planId: 'card', seq: 2, patches: [{ op: 'grow', path: 3 }] } as never);
    await expect(archive.read('card')).rejects.toThrow(/journal\[1\]/);
    const keeping = new Safekeeping(db, archive);
    expect(await damageOf({ db, archive, safekeeping: keeping }, 'card')).toMatchObject({
      lost: ['the last change'],
      mended: { title: 'A' },
    });
    const { mended } = (await damageOf({ db, archive, safekeeping: keeping }, 'card'))!;
    await keeping.putBack([mended!], 'mended');
    expect(await archive.read('card')).toMatchObject({ plan: { title: 'A' }, seq: 0 });
    expect(await keeping.snapshots()).toMatchObject([{ of: 'card', why: 'mended' }]);
    await db.plans.put({ id: 'odd', plan: begun(), seq: 'first', changedAt: 0 } as never);
    await expect(archive.read('odd')).rejects.toThrow(/saved\.seq/);
    expect((await archive.all()).unreadable).toMatchObject([{ id: 'odd' }]);
    expect(await damageOf({ db, archive, safekeeping: keeping }, 'odd')).toMatchObject({
      mended: { title: 'Card', id: 'odd' },
    });
  });

  it('nothing is journalled behind a card that is no longer there', async () => {
    await expect(archive.append('card', 1, [])).rejects.toBeInstanceOf(CardGone);
    expect(await db.journal.count()).toBe(0);
  });

  it('removes a card with all that belongs to it', async () => {
    await archive.save(begun(), 0);
    await archive.append('card', 1, []);
    await archive.keepStroke('card', 's', { line: 'pencil' }, [[1, 1, 1]]);
    await archive.attach('card', 'a.png', new Uint8Array([1]));
    await archive.attach('other', 'a.png', new Uint8Array([2]));
    await new Safekeeping(db, archive).deleteForGood('card');
    expect([await db.plans.count(), await db.journal.count(), await db.strokes.count()]).toEqual([0, 0, 0]);
    expect([await archive.attached('card', 'a.png'), await archive.attached('other', 'a.png')]).toEqual([
      null,
      new Uint8Array([2]),
    ]);
  });
});
