import { describe, expect, it } from 'vitest';
import { applyCommands, cuttingRequest, type SittingEvent } from '@kettle/core/document/plan';
import { replaySitting, sittingAt } from '@kettle/core/order/sitting';
import { kettleInTheRain } from '../../../demo/kettle-in-the-rain';
import { MILLRACE_LANE } from '../../../demo/millrace-lane';
import { streamPath, streamStops } from '../frame/stream.view';
import { rackCards } from '../rooms/rack/rack.view';
import { lookAheadOf } from '../testing/look-ahead';
import { tideLine } from '../ui/tide-line';
import { briefAnswer } from './brief/brief.view';
import { cautionsOf, mixLooks, pigmentChoices, waterInWords } from './colours/colours.view';
import { choresToAdd, finishRows } from './finish/finish.view';
import { cardDrawing } from './paper/card-drawing.view';
import { cuttingAnswer, cutSteps, postAnswer, sheetDrawings, tapeAnswer } from './paper/cutting.view';
import { airFault, paperWords } from './paper/paper.view';
import type { CutJob } from '../state/cutting.service';
import { cutSheet, offcutsOf, SHEETS } from '@kettle/core/commission/card';
import { actCard, layReady, mixesToPrepare, waitInWords, wetCards } from './sitting/sitting.view';
import { areaRows, reshape } from './sketch/sketch.view';
import { labOfHex } from '@kettle/core/kit/colour';
import { pigmentByCode, PIGMENTS } from '@kettle/core/materials/pigment';

const plan = kettleInTheRain();
const mm = (value: number): string => `${value} mm`;

describe('brief', () => {
  const brief = { ...plan.brief, copies: 18, spares: 2 };
  it('says by when, and how many to begin', () => {
    expect(briefAnswer({ brief }, '2026-12-08')).toEqual({
      answer: 'Into the post by Wednesday 9 December, tomorrow.',
      late: false,
      begun: 'Begin 20, so that 18 come out well.',
    });
    expect(briefAnswer({ brief }, '2026-12-10').late).toBe(true);
    expect(briefAnswer({ brief: { ...brief, needBy: null } }, '2026-12-10').answer).toMatch(/^No date/);
  });
});

describe('paper', () => {
  const half = SHEETS[1];
  const jobOf = (of: typeof plan, fault = ''): CutJob => {
    const request = cuttingRequest([of], 'painting', half)!;
    const cut = cutSheet(request);
    return {
      request,
      sheet: { ...half, price: 6 },
      cutting: { ...cut, offcuts: offcutsOf(request, cut) },
      fault,
    };
  };

  it('draws card inside envelope, panel inside card, to one scale, faces on the opened sheet', () => {
    const { rects, scores, handles, words } = cardDrawing(plan.card, 0.5, mm);
    const [envelope, card, panel, sheet] = rects;
    expect(card.x - envelope.x).toBeCloseTo(3, 9);
    expect(panel.x - card.x).toBeCloseTo(4, 9);
    expect(sheet.width).toBeCloseTo(2 * card.width, 9);
    expect(scores[0].x1 - sheet.x).toBeCloseTo(card.width, 9);
    expect(words.map(({ text }) => text)).toEqual(['panel 148 mm × 100 mm', 'back', 'front']);
    for (const { outer, x, value } of handles) expect(outer - x).toBeCloseTo(value, 9);
    expect(handles.map(({ key, x }) => [key, x])).toEqual([
      ['clearanceMm', expect.closeTo(card.x + card.width, 9)],
      ['tapeMm', expect.closeTo(panel.x + panel.width, 9)],
    ]);
  });

  it('an upright top fold: envelope turned, back head down, score measured downwards', () => {
    const drawn = cardDrawing({ ...plan.card, stands: 'upright', fold: 'top' }, 0.5, mm);
    expect(drawn.rects[0].height).toBe(162);
    expect(drawn.words.find(({ text }) => text === 'back')!.headDown).toBe(true);
    expect(drawn.dimensions.at(-1)).toMatchObject({ text: 'score 156 mm', along: 'y' });
  });

  it('says what to cut and score', () => {
    expect(paperWords(plan.card, 0.5, mm)).toEqual({
      cut: 'Cut the sheet 312 mm × 108 mm.',
      score: 'Score 156 mm from the left edge, grain along it.',
      panel: 'Panel 148 mm × 100 mm; tape 4 mm over the rim.',
      goesIn: 'Goes in with 3 mm a side, 6 mm in all.',
    });
    expect(paperWords({ ...plan.card, fold: 'flat' }, 0.5, mm).score).toBe('No fold.');
    expect(paperWords({ ...plan.card, bulkMm: 2 }, 0.5, mm).goesIn).toMatch(
      /2 mm of thickness is allowed for/,
    );
  });

  it('says how it is cut, what it costs, and when it cannot be', () => {
    const six = applyCommands(plan, [{ do: 'set-brief', change: { copies: 5, spares: 1 } }]).plan;
    const job = jobOf(six);
    expect(cuttingAnswer(job, [six])).toEqual({
      answer: '2 × half sheet, 8 cuts, 52 % left over. 2.00 a card.',
      stop: false,
    });
    expect(cutSteps(job.cutting!, mm)[0]).toBe(
      '1. Sheet 1: 312 mm from the left edge, from 0 mm to 380 mm from the top.',
    );
    const drawn = sheetDrawings(job, mm);
    expect(drawn.map(({ pieces }) => pieces.length)).toEqual([3, 3]);
    expect(cuttingAnswer({ ...job, cutting: null }, [six]).answer).toMatch(/Working out/);
    expect(cuttingAnswer({ ...job, fault: 'pieces: too many' }, [six]).stop).toBe(true);
    const large = applyCommands(plan, [
      { do: 'set-format', change: { card: { widthMm: 300, heightMm: 200 } } },
    ]).plan;
    expect(cuttingAnswer(jobOf(large), [large]).answer).toMatch(
      /1 × card cannot be had, grain along the fold/,
    );
  });

  it('says tape, boards and what the post makes of it', () => {
    expect(tapeAnswer(plan, MILLRACE_LANE, mm)).toBe(
      'Tape: 0.6 m for one sheet. To tape them all at once: 1 board of 420 mm × 320 mm.',
    );
    expect(tapeAnswer({ ...plan, card: { ...plan.card, border: 'bare' } }, MILLRACE_LANE, mm)).toBe('');
    expect(postAnswer(plan, MILLRACE_LANE)).toEqual({
      answer: '15 g and 1.2 mm thick in its envelope: goes as a letter.',
      stop: false,
    });
    expect(postAnswer({ ...plan, card: { ...plan.card, bulkMm: 9 } }, MILLRACE_LANE).stop).toBe(true);
  });

  it('knows air that cannot be', () => {
    expect(airFault('rh', 1.4)).toMatch(/0 and 100 %/);
    expect(airFault('tempC', Number.NaN)).not.toBe('');
    expect(airFault('airMs', 0.3)).toBe('');
  });
});

describe('sketch and whites', () => {
  it('list areas with their size, the upper first', () => {
    const rows = areaRows(plan, plan.lines.length > 0, mm);
    expect(rows.at(-1)).toMatchObject({ id: 'pane', name: 'pane', size: '94.7 cm², 148 mm × 64 mm' });
    expect(rows.at(-1)!.reshapings.map(({ name }) => name)).toContain('join with kettle');
  });

  it('reshape an area, or say why it cannot be', () => {
    const ways = areaRows(plan, plan.lines.length > 0, mm).find(({ id }) => id === 'pane')!.reshapings;
    const cut = reshape(
      plan,
      'pane',
      ways.find(({ how, other }) => how === 'cut-out' && other === 'kettle')!,
      () => 'new',
    );
    expect(typeof cut === 'string' ? cut : cut.map((command) => command.do)).toEqual(['reshape-area']);
    expect(reshape(plan, 'sill', { how: 'split', other: null, name: '' }, () => 'new')).toMatch(/No line/);
  });
});

describe('colours', () => {
  it('show each mix wet and dry: wet is darker', () => {
    for (const look of mixLooks(plan)) expect(labOfHex(look.wet)[0]).toBeLessThan(labOfHex(look.dry)[0]);
  });

  it('offer all pigments and metallics, and caution where it is due', () => {
    expect(pigmentChoices(plan, PIGMENTS, ({ name }) => name)).toHaveLength(46);
    expect(cautionsOf([pigmentByCode('PR108'), pigmentByCode('PY35'), pigmentByCode('PB29')])).toHaveLength(
      1,
    );
    expect(cautionsOf([pigmentByCode('PB28')])[0]).toMatch(/Cobalt/);
    expect(cautionsOf([pigmentByCode('MICA-gold')])[0]).toMatch(/dust/);
  });

  it('say water as volumes', () => {
    expect(waterInWords(1)).toBe('no water');
    expect(waterInWords(0.1)).toBe('9 water to 1 paint');
    expect(waterInWords(0.4)).toBe('1.5 water to 1 paint');
  });
});

describe('sitting', () => {
  const START = Date.parse('2026-12-01T18:00:00.000Z');
  const at = (s: number, done: string[], times: number[]) => {
    const events: SittingEvent[] = done.map((act, i) => ({
      at: new Date(START + times[i] * 1000).toISOString(),
      kind: 'done',
      act,
    }));
    return sittingAt(
      plan,
      replaySitting(plan, { startedAt: new Date(START).toISOString(), events }),
      START + s * 1000,
    );
  };

  it('shows gates and cautions before what cannot be undone', () => {
    const act = (id: string) =>
      actCard(
        plan,
        plan.acts.find((a) => a.id === id)!,
      );
    expect(act('mask-off').gate?.question).toMatch(/dry/);
    expect(act('mask-on').caution).toMatch(/latex/);
    expect(act('sill-wash')).toMatchObject({ title: 'Wash the sill', how: 'oak sill · a loaded brush' });
  });

  it('tells what is wet, for how long, with the band, and what is waited for', () => {
    const now = at(960, ['prepare', 'tape', 'draw', 'mask-on', 'sill-wash'], [1, 2, 3, 880, 900]);
    expect(waitInWords(plan, now)).toMatch(/^Wait for the mask on the steam: \d:\d\d$/);
    const [sill] = wetCards(plan, now);
    expect(sill).toMatchObject({ name: 'sill', stage: 'shiny all over' });
    expect(sill.band).toMatch(/8 in 10 times \d+ to \d+ min/);
    expect(sill.share).toBeGreaterThan(0.02);
    expect(sill.share).toBeLessThan(0.1);
    expect(sill.strand).toMatch(/^M0\.0 /);
  });

  it('lays ready what the passes use', () => {
    expect(mixesToPrepare(plan).map(({ mix }) => mix.name)).toContain('copper');
    expect(layReady(plan).join()).toMatch(/masking fluid stirred/);
  });
});

describe('finish', () => {
  const rows = finishRows(plan, lookAheadOf(plan));
  it('lists the chores with waits, sizes and gates', () => {
    expect(rows.map(({ id }) => id)).toEqual(['mask-off', 'untape', 'rub-out', 'score', 'fold', 'press']);
    expect(rows[1].wait).toMatch(/until the kettle is dry/);
    expect(rows[3].says).toBe('Score the fold: 156 mm from the left edge');
    expect(rows[5].when).toMatch(/then leave it 8 h/);
    expect(choresToAdd(plan).map(({ id }) => id)).toEqual(['look', 'letter', 'trim', 'mount']);
  });
});

describe('rack', () => {
  it('stands cards in the order they are needed, at one scale, with the next act', () => {
    const dateless = { ...plan, id: 'b', title: 'B', brief: { ...plan.brief, needBy: null } };
    const sooner = { ...plan, id: 'c', title: 'C', brief: { ...plan.brief, needBy: '2026-12-01' } };
    const cards = rackCards([dateless, plan, sooner], '2026-11-28');
    expect(cards.map((card) => card.plan.id)).toEqual(['c', 'kettle-in-the-rain', 'b']);
    expect(cards[0]).toMatchObject({ pressing: true, due: 'post it in 1 day', stage: 'planned' });
    expect(cards[0].widthPx / cards[0].heightPx).toBeCloseTo(156 / 108, 1);
    expect(cards[1].nextAct).toMatch(/^Lay ready/);
  });
});

describe('frame', () => {
  it('marks what is complete, what is open and what is not needed', () => {
    const marked = applyCommands(plan, [{ do: 'mark-not-needed', station: 'whites', notNeeded: true }]).plan;
    const stops = streamStops(marked, new Map([['passes', 2]]));
    expect(stops.map(({ state }) => state)).toEqual([
      'dry',
      'dry',
      'dry',
      'not-needed',
      'dry',
      'dry',
      'open',
      'open',
    ]);
    expect(stops.find(({ station }) => station === 'passes')!.findings).toBe(2);
    expect(streamPath()).toMatch(/^M0 /);
  });

  it('draws the tide line as a rim: closed, inside its box, the same each time', () => {
    const path = tideLine(200, 80, 3);
    expect(path).toBe(tideLine(200, 80, 3));
    expect(path.match(/Z/g)).toHaveLength(2);
    const numbers = [...path.matchAll(/(-?[\d.]+) (-?[\d.]+)/g)];
    for (const [, x, y] of numbers) {
      expect(Number(x)).toBeGreaterThanOrEqual(-1);
      expect(Number(x)).toBeLessThanOrEqual(201);
      expect(Number(y)).toBeGreaterThanOrEqual(-1);
      expect(Number(y)).toBeLessThanOrEqual(81);
    }
  });
});
