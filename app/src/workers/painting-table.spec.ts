import { describe, expect, it } from 'vitest';
import { newSheet } from '@kettle/core/advice/trials';
import { done } from '@kettle/core/kit/units';
import { loadPaintKernel, panelKernelFromBuild } from '@kettle/kernels/node';
import { kettleInTheRain } from '../../../demo/kettle-in-the-rain';
import type { OpenedSheet, BrushPlace, PaintingEvent } from './painting-api';
import { PaintingTable } from './painting-table';
import type { StoredPaper } from './paper-store';

const plan = kettleInTheRain();
const kernels = { panel: panelKernelFromBuild(), paint: await loadPaintKernel() };
const [{ pigment }] = plan.mixes[0].parts;
const stroke = {
  ...({ kind: 'stroke', brush: 'round-8', load: 'loaded', dips: true, strength: 0.2 } as const),
  parts: [{ pigment, parts: 1 }],
};
const here = { circle: [40, 40, 3] as const };

/** A new sheet begins with its tape. */
const TAPE = 1;

/** A table whose wall clock is turned by hand. */
class Table {
  ms = 0;
  readonly news: PaintingEvent[] = [];
  readonly table: PaintingTable;

  constructor(change: Partial<OpenedSheet> = {}, kept: StoredPaper | null = null) {
    const trial = newSheet(plan, { id: 'try', name: 'try', cellMm: 1 });
    this.table = new PaintingTable(
      { trial, embedded: plan.embedded, key: 'k', atS: null, ...change },
      { kernels, now: () => this.ms, tell: (news) => this.news.push(news) },
    );
    this.ready = done(this.table.ready(kept));
  }
  readonly ready;

  /** Lets the wall’s clock go on, and the table do what is due. */
  pass(ms: number): void {
    for (let gone = 0; gone < ms; gone += 10) {
      this.ms += 10;
      this.table.turn();
    }
  }

  paint(y: number, from = 20): void {
    this.table.begin(stroke, [from, y, 0.7]);
    for (let x = from + 2; x <= 60; x += 2) {
      this.pass(20);
      this.table.goOn([[x, y, 0.7] as BrushPlace]);
    }
  }

  get paper(): string {
    return this.table.read(here).fingerprint;
  }
}

describe('a sheet under the hand', () => {
  it('changes where the brush is before the paper has taken a step', () => {
    const on = new Table();
    on.pass(300);
    on.news.length = 0;
    on.table.begin(stroke, [40, 40, 0.7]);
    on.table.turn();
    const touched = on.news.flatMap(({ tiles }) => tiles);
    expect(touched.length).toBeGreaterThan(0);
    expect(
      touched.some(
        ({ left, top, columns, rows }) =>
          left <= 160 && 160 < left + columns && top <= 160 && 160 < top + rows,
      ),
    ).toBe(true);
    expect(touched.length).toBeLessThan(10);
  });

  it('tells the places of a stroke with the paper’s times, in order', () => {
    const on = new Table();
    on.paint(40);
    on.pass(50);
    const told = on.news.flatMap(({ stroke: places }) => places);
    const act = on.table.end()!.act;
    expect(act.kind === 'stroke' && act.points).toEqual(told);
    told.slice(1).forEach(([, , , atS], i) => expect(atS).toBeGreaterThanOrEqual(told[i][3]!));
  });

  it('runs in real time while a stroke lasts, and waits again when it has ended', () => {
    const on = new Table();
    on.paint(40);
    const { atS } = on.news.at(-1)!;
    expect(atS).toBeGreaterThan(0.75 * (on.ms / 1000));
    expect(atS).toBeLessThanOrEqual(on.ms / 1000 + 0.01);
    on.table.end();
    on.pass(100);
    const stoppedS = on.news.at(-1)!.atS;
    on.pass(500);
    expect(on.news.at(-1)!.atS).toBe(stoppedS);
  });

  it('tells how wet the sheet is after a stroke that took no time at all, as keys make it', () => {
    const on = new Table();
    on.pass(300);
    on.table.begin(stroke, [20, 40, 0.7]);
    on.table.turn();
    const wet = () => 1 - on.news.at(-1)!.stages.dry;
    const dab = wet();
    on.table.goOn(Array.from({ length: 20 }, (_, i) => [22 + 2 * i, 40, 0.7] as const));
    on.table.end();
    on.pass(500);
    expect(wet()).toBeGreaterThan(4 * dab);
  });

  it('knows what the brush came onto: its own paint does not count', () => {
    const on = new Table();
    on.paint(40);
    expect(on.table.end()!.onto).toBe('dry');
    on.paint(41);
    expect(on.table.end()!.onto).toBe('shiny');
  });

  it('goes back to before an act, and to the same paper when it is brought again', () => {
    const on = new Table();
    on.paint(40);
    on.table.end();
    on.table.setClock({ until: 'matt' });
    on.pass(3000);
    const [before, atS] = [on.paper, on.table.read(here)];
    on.paint(42);
    const second = on.table.end()!;
    const after = on.paper;
    const behind = TAPE + 1;
    on.table.setActs(behind, []);
    expect(on.paper).toBe(before);
    expect(on.table.read(here)).toEqual(atS);
    on.table.setActs(behind, [structuredClone(second)]);
    expect(on.paper).toBe(after);
  });

  it('a stroke that was not meant has never been', () => {
    const on = new Table();
    const bare = on.paper;
    on.paint(40);
    on.table.giveUp();
    expect(on.paper).toBe(bare);
  });

  it('a stroke under way when acts are taken back has never been', () => {
    const on = new Table();
    const bare = on.paper;
    on.paint(40);
    on.table.end();
    on.paint(50);
    on.table.setActs(TAPE, []);
    on.table.goOn([[40, 50, 1]]);
    on.pass(100);
    expect(on.table.end()).toBeNull();
    expect(on.paper).toBe(bare);
  });

  it('who waits for the paper is not left waiting when a brush comes down', async () => {
    const on = new Table();
    on.paint(40);
    on.table.end();
    const waits = on.table.runTo('dry');
    on.table.begin(stroke, [30, 50, 1]);
    await waits;
    on.table.end();
  });

  it('runs ahead until the sheen is gone, and until all is dry', () => {
    const on = new Table();
    on.paint(40);
    on.table.end();
    on.table.setClock({ until: 'matt' });
    on.pass(4000);
    expect(on.table.read(here).stage).toBe('damp');
    expect(on.news.at(-1)!).toMatchObject({ rate: 0, runsAhead: false });
    on.table.setClock({ until: 'dry' });
    on.pass(8000);
    expect(on.table.read(here).stage).toBe('dry');
    expect(on.news.at(-1)!.stages.dry).toBeGreaterThan(0.999);
  });

  it('is the same paper when it is opened again, from what was kept and without', () => {
    const on = new Table();
    on.paint(40);
    const acts = [on.table.end()!];
    on.table.setClock({ rate: 4 });
    on.pass(400);
    on.paint(50, 30);
    acts.push(on.table.end()!);
    const kept = on.table.toKeep()!;
    const trial = { ...newSheet(plan, { id: 'try', name: 'try', cellMm: 1 }) };
    const sheet = { trial: { ...trial, acts: [...trial.acts, ...structuredClone(acts)] } };
    const again = new Table(sheet, structuredClone(kept));
    expect(again.paper).toBe(on.paper);
    expect(again.ready.fromAnew).toBe(false);
    expect(new Table(sheet).paper).toBe(on.paper);
    const older = new Table(sheet, { ...structuredClone(kept), version: 'another' });
    expect(older.ready.fromAnew).toBe(true);
    expect(older.paper).toBe(on.paper);
  });

  it('takes a pigment that is set out later, and what was kept before still fits', () => {
    const trial = newSheet(plan, { id: 'try', name: 'try', cellMm: 1 });
    const one = new Table({ trial: { ...trial, pigments: [pigment] } });
    one.paint(40);
    const first = one.table.end()!;
    const other = plan.embedded.pigments.find(({ code }) => code !== pigment)!;
    const known = plan.embedded.pigments.find(({ code }) => code === pigment)!;
    expect(() =>
      one.table.begin({ ...stroke, parts: [{ pigment: other.code, parts: 1 }] }, [30, 50, 1]),
    ).toThrow(other.code);
    const kept = one.table.toKeep()!;
    one.table.setOut([known, other]);
    one.table.begin({ ...stroke, parts: [{ pigment: other.code, parts: 1 }] }, [30, 50, 1]);
    expect(one.table.end()!.onto).toBe('dry');
    const acts = [...trial.acts, first];
    const again = new Table(
      { trial: { ...trial, pigments: [pigment, other.code], acts } },
      structuredClone(kept),
    );
    expect(again.ready.fromAnew).toBe(false);
  });
});
