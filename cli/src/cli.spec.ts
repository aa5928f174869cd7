import { spawnSync } from 'node:child_process';
import { mkdtempSync, readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { describe, expect, it } from 'vitest';
import { writeKettleFile } from '@kettle/core/files/formats';
import { loadFonts } from '@kettle/core/drawing/lettering';
import { paintedOf } from '@kettle/core/document/plan';
import { layOut } from '@kettle/core/order/schedule';
import { kettleInTheRain } from '../../demo/kettle-in-the-rain';
import { COMMANDS, run, setsWords, type RunResult } from './run';

const given = (name: string, input: unknown): RunResult =>
  run([name, '-'], () => new TextEncoder().encode(typeof input === 'string' ? input : JSON.stringify(input)));
const answer = (name: string, input: unknown): Record<string, unknown> => {
  const { code, out, err } = given(name, input);
  expect(err).toBe('');
  expect(code).toBe(0);
  return JSON.parse(out) as Record<string, unknown>;
};
const AIR = { tempC: 20, rh: 0.5, airMs: 0 };
const C6 = { envelope: { widthMm: 162, heightMm: 114 }, fold: 'side', border: 'taped' };

describe('answers', () => {
  it('size', () =>
    expect(answer('size', C6)).toMatchObject({ card: { widthMm: 156, heightMm: 108 }, fits: true }));

  it('cut', () => {
    const base = { name: 'base', widthMm: 280, heightMm: 190 };
    const sheet = { widthMm: 560, heightMm: 380 };
    expect(answer('cut', { sheet, pieces: [{ ...base, count: 5 }] })).toMatchObject({
      counts: { base: 4 },
      unplaced: [{ name: 'base', count: 1 }],
      cuts: [{ order: 1, sheet: 1 }, { order: 2 }, { order: 3 }],
    });
    expect(answer('cut', { sheet, pieces: [{ ...base, asMany: true }], gapMm: 1 })['counts']).toEqual({
      base: 2,
    });
  });

  it('schedule', () => {
    const tasks = [
      { id: 'sky', handsS: 100 },
      { id: 'boat', handsS: 80, heat: true },
      { id: 'sill', handsS: 200, card: 'other' },
    ];
    const dries = { from: 'sky', to: 'boat', fromEdge: 'end', minS: 300 };
    expect(answer('schedule', { tasks, lags: [dries] })).toEqual({
      ...{ feasible: true, makespanS: 480, lowerBoundS: 480, optimal: true },
      tasks: [
        { id: 'sky', copy: 1, startS: 0, endS: 100 },
        { id: 'boat', copy: 1, startS: 400, endS: 480 },
        { id: 'sill', copy: 1, startS: 100, endS: 300 },
      ],
    });
    const soon = { id: 'soon', from: 'sky', to: 'boat', fromEdge: 'end', minS: 0, maxS: 200 };
    expect(answer('schedule', { tasks, lags: [dries, soon] })).toMatchObject({
      ...{ feasible: false, conflict: ['sky>boat', 'soon'] },
    });
  });

  it('plan-back', () =>
    expect(
      answer('plan-back', {
        today: '2026-11-26',
        needBy: '2026-12-11',
        postingDays: 2,
        evenings: [{ weekday: 2, minutes: 90 }],
        handsMin: 60,
        waitMin: 30,
      }),
    ).toEqual({
      feasible: true,
      startBy: '2026-12-08',
      sittings: [{ date: '2026-12-08', minutes: 90 }],
      shortByMin: 0,
    }));

  it('dry', () => {
    const { stages, evaporationGm2h } = answer('dry', { paper: 'cotton-cold-300', filmUm: 80, climate: AIR });
    expect(Object.keys(stages as object)).toEqual([
      'puddledEndS',
      'shinyEndS',
      'satinEndS',
      'dampEndS',
      'coolEndS',
    ]);
    expect(evaporationGm2h).toBeCloseTo(153, 0);
    const never = answer('dry', { paper: 'cotton-cold-300', filmUm: 80, climate: { ...AIR, rh: 1 } });
    expect((never['stages'] as Record<string, unknown>)['coolEndS']).toBeNull();
  });

  it('mix and glaze agree on the same paint', () => {
    const mixed = answer('mix', {
      target: '#7f9fc8',
      palette: ['PB29', 'PBr7-burnt-sienna'],
      paper: 'cotton-cold-300',
    });
    const layer = { parts: mixed['parts'], strength: mixed['strength'] };
    const glazed = answer('glaze', { paper: 'cotton-cold-300', layers: [layer] });
    expect(glazed['hex']).toBe((mixed['dry'] as { hex: string }).hex);
    expect(answer('glaze', { paper: 'cotton-cold-300', layers: [layer], wet: 1 })['hex']).toBe(
      (mixed['wet'] as { hex: string }).hex,
    );
    expect(glazed['reflectance']).toHaveLength(36);
    expect(mixed['reachable']).toBe(true);
    expect(mixed['simple']).toBeDefined();
  });

  it('mix scales: half the strength in twice the film is the same paint on the card', () => {
    const mixed = answer('mix', { target: '#9a6f8d', palette: ['PB29', 'PR122'], paper: 'cotton-cold-300' });
    const glazed = (filmUm: number, strength: number): unknown =>
      answer('glaze', { paper: 'cotton-cold-300', layers: [{ parts: mixed['parts'], strength, filmUm }] })[
        'hex'
      ];
    const strength = mixed['strength'] as number;
    expect(glazed(200, strength / 2)).toBe(glazed(100, strength));
    expect(glazed(200, strength)).not.toBe(glazed(100, strength));
    const parts = mixed['parts'] as { pigment: string; parts: number }[];
    const total = parts.reduce((sum, { parts: n }) => sum + n, 0);
    const load: Record<string, number> = { PB29: 7, PR122: 4 };
    const grams = parts.reduce(
      (sum, { pigment, parts: n }) => sum + (strength * load[pigment] * n) / total,
      0,
    );
    expect(mixed['pigmentGm2']).toBeCloseTo(grams, 9);
    expect(mixed['waterPerPaint']).toBeCloseTo(1 / strength - 1, 9);
  });

  it('glaze under a warm lamp and an LED differs from daylight, and bare metallics can be laid', () => {
    const layers = [{ parts: [{ pigment: 'PB28', parts: 1 }], strength: 0.4 }];
    const under = (light: string): unknown =>
      answer('glaze', { paper: 'cotton-cold-300', layers, light })['hex'];
    expect(new Set(['D65', 'warm', 'led'].map(under)).size).toBe(3);
    const gold = [{ parts: [{ pigment: 'MICA-gold', parts: 1 }], strength: 1 }];
    const [l, a, b] = answer('glaze', { paper: 'cotton-cold-300', layers: gold })['lab'] as number[];
    expect(l).toBeGreaterThan(50);
    expect(b).toBeGreaterThan(20);
    expect(a).toBeGreaterThan(0);
  });

  it('palette', () => {
    const asked = {
      targets: ['#c9b23c', { lab: [45, 40, 10] }, '#6f9a7a'],
      size: 3,
      paper: 'cotton-cold-300',
      from: ['PY150', 'PY3', 'PR122', 'PB29', 'PB15:3', 'PG7'],
      keep: ['PG7'],
    };
    const chosen = answer('palette', asked);
    const pigments = chosen['pigments'] as string[];
    const mixes = chosen['mixes'] as { target: unknown; parts: { pigment: string }[]; deltaE00: number }[];
    expect(pigments).toHaveLength(3);
    expect(pigments).toContain('PG7');
    expect(mixes.map(({ target }) => target)).toEqual(asked.targets);
    for (const { parts } of mixes) for (const { pigment } of parts) expect(pigments).toContain(pigment);
    const mean = mixes.reduce((sum, { deltaE00 }) => sum + deltaE00, 0) / mixes.length;
    expect(chosen['meanDeltaE']).toBeCloseTo(mean, 9);
    expect(chosen['exact']).toBe(true);
  });

  it('swatch-fit takes back what glaze painted, a strength left out included', () => {
    const painted = (strength: number, ...pigments: string[]): unknown =>
      answer('glaze', {
        paper: 'cotton-cold-300',
        layers: [{ parts: pigments.map((pigment) => ({ pigment, parts: 1 })), strength }],
      })['hex'];
    const fit = answer('swatch-fit', {
      like: 'PB28',
      paper: 'cotton-cold-300',
      swatches: [
        { strength: 1, hex: painted(1, 'PB29'), ground: 'paper' },
        { hex: painted(0.15, 'PB29'), ground: 'paper' },
        { strength: 0.5, hex: painted(0.5, 'PB29', 'PY150'), ground: 'paper', with: 'PY150' },
      ],
    });
    expect(fit['worst']).toBeLessThan(0.5);
    expect(fit['residuals']).toHaveLength(3);
    expect(fit['pigment']).toMatchObject({ code: 'PB28', origin: 'calibrated' });
    const strengths = fit['strengths'] as number[];
    expect(strengths[1]).toBeGreaterThan(0.13);
    expect(strengths[1]).toBeLessThan(0.17);
  });

  it('simulate, with its picture and fields, by either kernel', () => {
    const folder = mkdtempSync(join(tmpdir(), 'kettle-simulate-'));
    const asked = {
      widthMm: 20,
      heightMm: 16,
      cellMm: 0.5,
      paper: 'cotton-cold-300',
      climate: AIR,
      seed: 3,
      acts: [
        {
          atS: 0,
          kind: 'wash',
          shape: { circle: [10, 8, 5] },
          filmUm: 90,
          pigments: [{ pigment: 'PB15:3', gm2: 1 }],
        },
      ],
      stopS: 40,
      sampleS: 20,
      probes: [{ name: 'middle', shape: { circle: [10, 8, 2] } }],
    };
    const simd = answer('simulate', {
      ...asked,
      png: join(folder, 'panel.png'),
      fields: join(folder, 'fields'),
    });
    const samples = simd['samples'] as {
      atS: number;
      probes: { stage: string; pigments: Record<string, number> }[];
    }[];
    expect(samples.map(({ atS }) => atS)).toEqual([0, 20, 40]);
    expect(samples[1].probes[0]).toMatchObject({ name: 'middle', stage: 'shiny' });
    expect(samples[2].probes[0].pigments['PB15:3']).toBeCloseTo(1, 0);
    expect(answer('simulate', asked)).toEqual(simd);
    const plain = answer('simulate', { ...asked, kernel: 'plain' });
    expect(plain['steps']).toBe(simd['steps']);
    const png = readFileSync(join(folder, 'panel.png'));
    expect([png.readUInt32BE(16), png.readUInt32BE(20)]).toEqual([160, 128]);
    const field = readFileSync(join(folder, 'fields', 'PB15_3.f32'));
    const values = new Float32Array(field.buffer.slice(field.byteOffset, field.byteOffset + field.length));
    expect(values).toHaveLength(40 * 32);
    const held = values.reduce((sum, gm2) => sum + gm2, 0) * 0.5 ** 2 * 1e-3;
    const balance = simd['balance'] as { pigments: Record<string, { heldMg: number }> };
    expect(held).toBeCloseTo(balance.pigments['PB15:3'].heldMg, 6);
    expect(JSON.parse(readFileSync(join(folder, 'fields', 'meta.json'), 'utf8'))).toEqual({
      columns: 40,
      rows: 32,
      cellMm: 0.5,
    });
    rmSync(folder, { recursive: true });
  });

  it('spatter', () => {
    const { drops } = answer('spatter', {
      tool: 'toothbrush',
      face: { widthMm: 100, heightMm: 70 },
      area: { circle: [50, 35, 20] },
      coverage: 0.1,
      seed: 1,
      shields: [{ shape: { rect: [0, 0, 50, 70] }, edge: 'cut' }],
    }) as { drops: { xMm: number }[] };
    expect(drops.length).toBeGreaterThan(50);
    expect(drops.every(({ xMm }) => xMm >= 50)).toBe(true);
  });

  it('check, from JSON and from a packed file', () => {
    const plan = kettleInTheRain();
    expect(answer('check', plan)).toEqual({ findings: [] });
    expect(run(['check', 'x.kettle'], () => writeKettleFile({ plan, attachments: {} })).out).toContain(
      '"findings"',
    );
  });

  it('areas: sizes, and who touches whom', () => {
    const { areas } = answer('areas', kettleInTheRain()) as {
      areas: {
        id: string;
        cm2: number;
        narrowestMm: number;
        edgeMm: number;
        touching: { id: string; sharedMm: number }[];
      }[];
    };
    const sill = areas.find(({ id }) => id === 'sill')!;
    // 148 × 33.5 mm.
    expect(sill.cm2).toBeCloseTo(49.58, 6);
    expect(sill.edgeMm).toBeCloseTo(2 * (148 + 33.5), 6);
    expect(sill.narrowestMm).toBeCloseTo(33.5, 1);
    expect(sill.touching.map(({ id }) => id)).toEqual(['kettle']);
    const kettle = areas.find(({ id }) => id === 'kettle')!;
    expect(kettle.touching.map(({ id }) => id).sort()).toEqual(['pane', 'sill']);
    for (const { sharedMm } of kettle.touching) {
      expect(sharedMm).toBeGreaterThan(0);
      expect(sharedMm).toBeLessThanOrEqual(kettle.edgeMm + 1e-6);
    }
  });

  it('patches: what the panel is cut up into, at a moment or at the end', () => {
    const plan = kettleInTheRain();
    type Patches = { patches: { areas: string[]; cm2: number; stage: string; probe: number[] }[] };
    const { patches } = answer('patches', plan) as Patches;
    const { widthMm, heightMm } = paintedOf(plan).panel;
    expect(patches.reduce((sum, { cm2 }) => sum + cm2, 0)).toBeCloseTo((widthMm * heightMm) / 100, 6);
    expect(patches.every(({ stage }) => stage === 'dry')).toBe(true);

    const { steps } = layOut(plan);
    const { act, endS } = steps.find((step) => step.act.kind === 'pass')!;
    const wet = answer('patches', { plan, atS: endS + 5 }) as Patches;
    expect(wet.patches.filter(({ stage }) => stage !== 'dry').flatMap(({ areas }) => areas)).toContain(
      act.areas[0],
    );
    expect(answer('patches', { ...plan, atS: endS + 5 })).toEqual(wet);
  });

  it('trace prints the sheet as it is, not as JSON', () => {
    const { out, code } = run(['trace'], () => Buffer.from(JSON.stringify(kettleInTheRain())));
    expect(code).toBe(0);
    expect(out).toMatch(/^<svg [^>]*width="[\d.]+mm"/);
  });

  it('trace sets the words of a card, given the fonts', async () => {
    const plan = kettleInTheRain();
    const words = {
      ...{ id: 'w', text: 'Kettle', font: 'serif', capHeightMm: 9, from: [20, 30], to: [100, 30], archMm: 4 },
      ...{ slantDeg: 0, spacingMm: 0, set: 'middle' },
    };
    const read = (): Uint8Array => Buffer.from(JSON.stringify({ ...plan, words: [words] }));
    expect([setsWords(['trace']), setsWords(['size'])]).toEqual([true, false]);
    const { out } = run(['trace'], read, await loadFonts());
    expect(out.match(/class="words"/g)).toHaveLength(6);
  });

  it('list knows every id', () => {
    const known = JSON.parse(run(['list'], () => new Uint8Array()).out) as Record<string, unknown[]>;
    expect(known['pigments']).toHaveLength(46);
    expect(known['lights']).toEqual(['D65', 'warm', 'led']);
    expect(known['papers']).toHaveLength(7);
    expect(known['fonts']).toHaveLength(5);
    expect(known['checks']).toContainEqual({ id: 'mask-not-set', severity: 'stop' });
  });

  it('help for all and for each', () => {
    for (const { name } of COMMANDS) {
      expect(run(['--help'], () => new Uint8Array()).out).toContain(name);
      expect(run([name, '--help'], () => new Uint8Array()).out).toContain('in:');
    }
  });
});

describe('bad input ends with 2, one line, the field and the reason', () => {
  const wash = { paper: 'cotton-cold-300', filmUm: 80, climate: AIR };
  it.each<[string, unknown, RegExp]>([
    ['size', { ...C6, envelope: { widthMm: -1, heightMm: 114 } }, /^envelope\.widthMm:/],
    ['size', { ...C6, wings: 2 }, /^wings: unknown key/],
    ['size', '{"envelope":', /broken JSON at position 12/],
    ['size', '{"fold":NaN}', /broken JSON at position 8/],
    ['patches', { plan: kettleInTheRain(), atS: -1 }, /^atS:/],
    ['patches', { plan: kettleInTheRain(), when: 1 }, /^when: unknown key/],
    ['patches', { plan: 3 }, /^plan/],
    ['dry', { ...wash, climate: { ...AIR, rh: 50 } }, /^climate\.rh: rh is a fraction 0…1/],
    ['dry', { ...wash, filmUm: -3 }, /^filmUm:/],
    ['dry', { ...wash, paper: 'vellum' }, /^paper: unknown paper “vellum”; known: cotton-cold-300/],
    ['dry', { ...wash, paperWaterGm2: 900 }, /^paperWaterGm2: 900 is more than/],
    [
      'dry',
      '{"paper":"cotton-cold-300","filmUm":1e999,"climate":{"tempC":20,"rh":0.5,"airMs":0}}',
      /^filmUm:/,
    ],
    ['mix', { target: '#12', palette: ['PB29'], paper: 'cotton-cold-300' }, /^target/],
    [
      'mix',
      { target: '#7f9fc8', palette: ['PBr7'], paper: 'cotton-cold-300' },
      /^palette\[0\]: “PBr7” is ambiguous; choose PBr7-raw-sienna/,
    ],
    ['mix', { target: '#7f9fc8', palette: [], paper: 'cotton-cold-300' }, /^palette/],
    [
      'glaze',
      { paper: 'cotton-cold-300', layers: [{ parts: [{ pigment: 'PX1', parts: 1 }], strength: 0.5 }] },
      /^layers\[0\]\.parts\[0\]\.pigment: unknown pigment/,
    ],
    ['glaze', { paper: 'cotton-cold-300', layers: [], light: 'candle' }, /^light: .*D65/],
    ['palette', { targets: [], size: 3, paper: 'cotton-cold-300' }, /^targets/],
    ['palette', { targets: ['#808080'], size: 9, paper: 'cotton-cold-300' }, /^size/],
    [
      'palette',
      { targets: ['#808080'], size: 3, paper: 'cotton-cold-300', from: ['PB29', 'PY3'] },
      /^size: 3 pigments are wanted and 2 are there/,
    ],
    [
      'palette',
      { targets: ['#808080'], size: 1, paper: 'cotton-cold-300', from: ['PB29', 'PB29'] },
      /^from: names a pigment twice/,
    ],
    [
      'swatch-fit',
      { like: 'PB29', paper: 'cotton-cold-300', swatches: [{ strength: 1, hex: '#2030a0' }] },
      /^swatches/,
    ],
    [
      'swatch-fit',
      {
        like: 'PB29',
        paper: 'cotton-cold-300',
        swatches: [{ strength: 1, hex: '#2030a0' }, { strength: 0.1 }],
      },
      /^swatches\[1\]: needs its colour once/,
    ],
    [
      'swatch-fit',
      {
        like: 'PB29',
        paper: 'cotton-cold-300',
        swatches: [{ strength: 1, hex: '#2030a0' }, { hex: '#90a0e0' }],
      },
      /^swatches: a strength that is not stated needs a third swatch/,
    ],
    [
      'spatter',
      {
        tool: 'comb',
        face: { widthMm: 9, heightMm: 9 },
        area: { circle: [1, 1, 1] },
        coverage: 0.1,
        seed: 1,
      },
      /^tool/,
    ],
    [
      'spatter',
      {
        tool: 'toothbrush',
        face: { widthMm: 9, heightMm: 9 },
        area: { circle: [1, 1, 1] },
        coverage: 30,
        seed: 1,
      },
      /^coverage: coverage is a fraction/,
    ],
    [
      'simulate',
      {
        widthMm: 20,
        heightMm: 20,
        cellMm: 0.5,
        paper: 'cotton-cold-300',
        climate: AIR,
        seed: 1,
        stopS: 10,
        acts: [
          {
            atS: 0,
            kind: 'wash',
            shape: { circle: [1, 1, 1] },
            filmUm: 10,
            pigments: [{ pigment: 'PX', gm2: 1 }],
          },
        ],
      },
      /^acts\[0\]\.pigments\[0\]\.pigment: unknown pigment/,
    ],
    [
      'simulate',
      {
        widthMm: 20,
        heightMm: 20,
        cellMm: 0.5,
        paper: 'cotton-cold-300',
        climate: AIR,
        seed: 1,
        stopS: 10,
        acts: [{ atS: 0, kind: 'pour' }],
      },
      /^acts\[0\]\.kind/,
    ],
    ['check', { format: 'other' }, /^format/],
    ['paint', {}, /^command: unknown “paint”/],
  ])('%s %j', (name, input, message) => {
    const { code, out, err } = given(name, input);
    expect(err).toMatch(message);
    expect(err.trimEnd()).not.toContain('\n');
    expect([code, out]).toEqual([2, '']);
  });
});

it('runs as a program, reading standard input', () => {
  const ran = spawnSync('node', ['scripts/kettle.mjs', 'size', '-'], {
    input: JSON.stringify(C6),
    encoding: 'utf8',
  });
  expect(ran.status).toBe(0);
  expect(JSON.parse(ran.stdout)).toMatchObject({ flat: { widthMm: 312 } });
  const bad = spawnSync('node', ['scripts/kettle.mjs', 'size', 'no-such-file.json'], { encoding: 'utf8' });
  expect(bad.status).toBe(2);
  expect(bad.stdout).toBe('');
}, 30_000);
