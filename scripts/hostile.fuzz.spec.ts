import { strToU8, zipSync } from 'fflate';
import { describe, expect, it } from 'vitest';
import {
  boxFromRows,
  mergedPicture,
  parseJson,
  readBackup,
  readCalendar,
  readGpl,
  readKettleFile,
  writeBackup,
  writeGpl,
  writeKettleFile,
  writePng,
} from '@kettle/core/files/formats';
import { packResists } from '@kettle/core/drawing/masking';
import { readHead } from '@kettle/core/drawing/photo';
import { PIGMENTS } from '@kettle/core/materials/pigment';
import { addPass, smallPlan, NEW_STUDIO, type Plan } from '@kettle/core/document/plan';
import { traceSheet } from '@kettle/core/files/prints';
import { packLines } from '@kettle/core/drawing/sketch';
import { readSvg, readTraceSheet } from '@kettle/core/drawing/tracing';
import { BadInput, chance, done, type Work } from '@kettle/core/kit/units';
import { readPlan } from '@kettle/core/document/versions';
import { loadLineKernel, loadPaintKernel, panelKernelFromBuild } from '@kettle/kernels/node';
import { simulationJobs } from '../app/src/workers/simulation-jobs';
import { atOnce } from '../app/src/workers/jobs';
import type { PackedPlan } from '../app/src/workers/table-api';
import { tableJobs } from '../app/src/workers/table-jobs';

/** So many files of each kind; for the long evidence all kinds together are 4,000. */
const FILES = Number(process.env['KILLS'] ?? 1) > 1 ? 500 : 25;

/** 60 characters of a field and 300 of a reason, with what stands between. */
const LONGEST_SENTENCE = 362;

/** No file takes longer to be read, and no question about it to be answered, ms. */
const LONGEST_MS = 10_000;

const picture = writePng({ width: 40, height: 30, rgb: new Uint8Array(3600).fill(120), dpi: 300 });
const plan: Plan = {
  ...smallPlan(addPass('p1', 'sky', 'blue'), addPass('p2', 'field', 'lemon', { technique: 'graded-wash' })),
  pictures: [
    {
      ...{ id: 'pic', name: 'sky', file: 'photo.png', use: 'traced', corners: null, bare: [] },
      ...{ at: [1, 2], widthMm: 20, heightMm: 10, faded: 0.5 },
    },
  ],
};
/** As it is read, with its fields in their order. */
const planText = JSON.stringify(readPlan(plan));
const card = { plan, attachments: { 'photo.png': picture } };
const kettle = writeKettleFile(card);

/** What a hand with bad luck, or bad intent, does to some bytes. */
function hurt(bytes: Uint8Array, random: () => number): Uint8Array {
  const at = (): number => Math.floor(random() * bytes.length);
  const copy = bytes.slice();
  switch (Math.floor(random() * 5)) {
    case 0:
      return copy.slice(0, at());
    case 1:
      for (let n = 0; n < 1 + random() * 4; n++) copy[at()] ^= 1 << Math.floor(random() * 8);
      return copy;
    case 2: {
      // A stretch is lost, or stands there twice.
      const [from, to] = [at(), at()].sort((a, b) => a - b);
      const rest = random() < 0.5 ? copy.slice(to) : copy.slice(from);
      return Uint8Array.from([...copy.slice(0, random() < 0.5 ? from : to), ...rest]);
    }
    case 3: {
      const [from, length] = [at(), Math.floor(random() * 200)];
      for (let i = from; i < Math.min(copy.length, from + length); i++) copy[i] = Math.floor(256 * random());
      return copy;
    }
    default:
      return Uint8Array.from([...copy, ...Array.from({ length: 40 }, () => Math.floor(256 * random()))]);
  }
}

const EXTREMES: readonly unknown[] = [
  ...[1e308, -1e308, 5e-324, 0, -1, 2 ** 53, 1e5, 'NaN', 'Infinity', '', null, true, {}, [], [[]]],
  'x'.repeat(1e5),
  new Array(1e5).fill(0),
  new Array(2e4).fill([0, 0, 0]),
  { ['__proto__']: 1 },
  '<img src=x onerror=alert(1)>',
];

/** A document with one thing in it replaced, taken away, or put there many times. */
function bent(json: unknown, random: () => number): unknown {
  const copy = JSON.parse(JSON.stringify(json)) as unknown;
  const places: { in: Record<string, unknown>; key: string }[] = [];
  const walk = (value: unknown): void => {
    if (typeof value !== 'object' || value === null) return;
    for (const key of Object.keys(value)) {
      places.push({ in: value as Record<string, unknown>, key });
      walk((value as Record<string, unknown>)[key]);
    }
  };
  walk(copy);
  const pick = <T>(list: readonly T[]): T => list[Math.floor(random() * list.length)];
  // Half of them say what could be said, if oddly: those open, and have to be worked out.
  if (random() < 0.5) {
    const { in: holder, key } = pick(places.filter((place) => typeof place.in[place.key] === 'number'));
    holder[key] = (holder[key] as number) * 4 ** (random() - 0.5);
    return copy;
  }
  for (let n = 0; n < 1 + random() * 2; n++) {
    const { in: holder, key } = pick(places);
    const held = holder[key];
    if (Array.isArray(held) && random() < 0.4)
      holder[key] = Array.from({ length: 10 ** Math.floor(1 + 3 * random()) }, () => (held as unknown[])[0]);
    else if (typeof held === 'number' && random() < 0.5)
      holder[key] = held * 10 ** Math.round(12 * (random() - 0.5));
    else holder[key] = pick(EXTREMES);
  }
  return copy;
}

const table = tableJobs(loadLineKernel());
const simulation = simulationJobs(
  loadPaintKernel().then((paint) => ({ panel: panelKernelFromBuild(), paint })),
  { load: () => Promise.resolve(null) },
);
const DESK = { ...NEW_STUDIO, today: '2026-03-02' };

/** Every question the app asks of a card, each put as its worker would be asked. */
const STEPS: Readonly<
  Record<string, (opened: Plan, card: PackedPlan) => Work<unknown> | Promise<Work<unknown>>>
> = {
  lookAhead: (_, card) => table.lookAhead({ card, desk: DESK }),
  colours: (_, card) => table.reckonColours({ card, dish: NEW_STUDIO.dish }),
  whites: (_, card) => table.rankWhites(card),
  masks: (_, card) => table.reckonMasks(card),
  propose: (_, card) => table.propose(card),
  order: (_, card) => table.putInOrder(card),
  batch: (_, card) => table.batch({ cards: [card], desk: DESK }),
  layout: (opened) => table.compose({ plan: opened, lines: packLines([]), darkness: new Map() }),
  cut: (opened) => table.cutTemplate(opened),
  trace: (opened) => atOnce(() => traceSheet(opened)),
  paintAhead: (opened) =>
    simulation.rehearse({ plan: opened, setting: { cellMm: 3, seed: 1 } }, () => undefined),
};

/** A card that opened is worked out to its end, each step in its time, and can be saved and opened again. */
async function takeFurther(opened: Plan): Promise<void> {
  const card = { plan: { ...opened, resists: [] }, resists: packResists(opened.resists) };
  for (const [step, ask] of Object.entries(STEPS)) {
    const begun = performance.now();
    try {
      done(await ask(opened, card));
    } catch (cause) {
      // What is too large, or leaves nothing to do, is said in words.
      if (!(cause instanceof BadInput)) throw new Error(`${step} broke on a card that had opened`, { cause });
      expect(String(cause).length).toBeLessThanOrEqual(LONGEST_SENTENCE + 20);
    }
    expect(performance.now() - begun, step).toBeLessThan(LONGEST_MS);
  }
  expect(JSON.stringify(readPlan(JSON.parse(JSON.stringify(opened))))).toBe(JSON.stringify(opened));
}

/** Makes so many files and reads them; each is refused in a sentence, or opens and is looked at further. Returns how many opened. */
async function all(
  seed: number,
  made: (random: () => number) => () => unknown,
  further: (opened: never) => void | Promise<void> = () => undefined,
): Promise<number> {
  let opened = 0;
  for (let i = 0; i < FILES; i++) {
    const random = chance(1000 * seed + i);
    const read = made(random);
    const begun = performance.now();
    try {
      const found = await read();
      expect(performance.now() - begun).toBeLessThan(LONGEST_MS);
      opened++;
      await further(found as never);
    } catch (cause) {
      if (!(cause instanceof BadInput)) throw new Error(`file ${i} of seed ${seed} broke it`, { cause });
      expect(cause.message.length).toBeLessThanOrEqual(LONGEST_SENTENCE);
      expect(cause.message).not.toContain('\n');
      expect(performance.now() - begun).toBeLessThan(LONGEST_MS);
    }
  }
  return opened;
}

describe('files from anywhere are refused in words, or open as they were written and can be worked out', () => {
  it('cards that were hurt on the way', async () => {
    await all(
      1,
      (random) => {
        const bytes = hurt(kettle, random);
        return () => readKettleFile(bytes);
      },
      (opened: ReturnType<typeof readKettleFile>) => {
        expect(JSON.stringify(opened.plan)).toBe(planText);
        for (const [name, bytes] of Object.entries(opened.attachments))
          expect(bytes).toEqual(card.attachments[name as 'photo.png']);
      },
    );
  }, 600_000);

  it('plans that say something else', async () => {
    const opened = await all(
      2,
      (random) => {
        const text = JSON.stringify(bent(plan, random));
        return () => readPlan(parseJson(text, 'plan'));
      },
      takeFurther,
    );
    expect(opened).toBeGreaterThan(FILES / 10);
    expect(opened).toBeLessThan(FILES);
  }, 1_200_000);

  it('zips that are none of ours: bombs, names that climb, cards within cards, other versions', async () => {
    const zeros = new Uint8Array(50e6);
    await all(3, (random) => {
      const kind = Math.floor(random() * 6);
      const entries: Record<string, Uint8Array> = { 'plan.json': strToU8(JSON.stringify(plan)) };
      if (kind === 0)
        entries['attachments/photo.png'] = zeros.subarray(0, Math.floor(random() * zeros.length));
      if (kind === 1) entries[`../${'a/'.repeat(Math.floor(random() * 40))}b`] = picture;
      if (kind === 2) entries['attachments/photo.png'] = kettle;
      if (kind === 3) for (let n = 0; n < 200 * random(); n++) entries[`attachments/${n}.png`] = picture;
      if (kind === 4) entries['plan.json'] = strToU8('['.repeat(1e5 * random()) + ']'.repeat(1e5 * random()));
      if (kind === 5)
        entries['plan.json'] = strToU8(
          JSON.stringify({ ...plan, version: Math.round(20 * (random() - 0.2)) }),
        );
      const bytes = zipSync(entries, { level: 1 });
      return () => readKettleFile(bytes).plan;
    });
  }, 1_200_000);

  it('backups', async () => {
    const backup = writeBackup({
      ...{ madeAt: '2026-11-30T10:00:00.000Z', studio: { name: 'x' } },
      cards: [{ id: plan.id, plan, attachments: card.attachments }],
    });
    await all(
      4,
      (random) => {
        const bytes = hurt(backup, random);
        return () => readBackup(bytes);
      },
      (read: ReturnType<typeof readBackup>) => {
        for (const found of read.cards) expect(JSON.stringify(found.plan)).toBe(JSON.stringify(plan));
      },
    );
  }, 600_000);

  it('drawings', async () => {
    const svg =
      '<svg xmlns="http://www.w3.org/2000/svg" width="100mm" height="80mm" viewBox="0 0 100 80"><g transform="rotate(3) scale(1.1)"><path d="M1 1C5 5 9 9 20 3Z"/><circle cx="5" cy="6" r="3"/></g></svg>';
    const bits = [
      '<g>'.repeat(300),
      'e308',
      '-',
      '__proto__',
      '<!ENTITY a "b">',
      'NaN',
      '<script>',
      '"',
      '&a;',
      'A1 1 0 0 0 9e99 9',
    ];
    await all(5, (random) => {
      let text = svg;
      for (let n = 0; n < 1 + 3 * random(); n++) {
        const at = Math.floor(random() * text.length);
        text =
          text.slice(0, at) +
          bits[Math.floor(random() * bits.length)] +
          text.slice(at + Math.floor(4 * random()));
      }
      return () => readTraceSheet(text, () => 'id') ?? readSvg(text);
    });
  }, 600_000);

  it('calendars, palettes and tables', async () => {
    const calendar = strToU8(
      [
        'BEGIN:VCALENDAR',
        'BEGIN:VEVENT',
        'UID:a',
        'DTSTART;VALUE=DATE:20270401',
        'SUMMARY:Market',
        'RRULE:FREQ=YEARLY',
        'END:VEVENT',
        'END:VCALENDAR',
        '',
      ].join('\r\n'),
    );
    const gpl = strToU8(writeGpl('box', [{ hex: '#112233', name: 'dark' }]));
    const rows = strToU8('code,label,place\nPB29,a,b\nPY3,c,d');
    await all(6, (random) => {
      const text = (bytes: Uint8Array): string => new TextDecoder().decode(hurt(bytes, random));
      const kind = random();
      const [days, colours, box] = [text(calendar), text(gpl), text(rows)];
      if (kind < 0.4) return () => readCalendar(days);
      if (kind < 0.7) return () => readGpl(colours);
      return () =>
        boxFromRows(
          box.split('\n').map((row) => row.split(',')),
          PIGMENTS,
        );
    });
  }, 600_000);

  it('pictures, and pictures of layers', async () => {
    const layered = zipSync({
      mimetype: [strToU8('image/openraster'), { level: 0 }],
      'mergedimage.png': picture,
    });
    await all(7, (random) => {
      const isFlat = random() < 0.5;
      const bytes = hurt(isFlat ? picture : layered, random);
      return () => readHead(isFlat ? bytes : mergedPicture(bytes));
    });
  }, 600_000);

  it('one kind under the name of another', async () => {
    const kinds = [
      kettle,
      picture,
      strToU8(JSON.stringify(plan)),
      strToU8('<svg/>'),
      strToU8('BEGIN:VCALENDAR'),
      new Uint8Array(0),
    ];
    await all(8, (random) => {
      const bytes = kinds[Math.floor(random() * kinds.length)];
      const text = new TextDecoder().decode(bytes);
      const readers = [
        () => (bytes === kettle ? null : readKettleFile(bytes)),
        () => readBackup(bytes),
        () => (bytes === picture ? null : readHead(bytes)),
        () => mergedPicture(bytes),
        () => readSvg(text),
        () => readCalendar(text),
        () => readGpl(text),
      ];
      return readers[Math.floor(random() * readers.length)];
    });
  }, 600_000);
});
