import { spawnSync } from 'node:child_process';
import { describe, expect, it } from 'vitest';
import { writeKettleFile } from '@kettle/core/formats';
import { kettleInTheRain } from '../../demo/kettle-in-the-rain';
import { COMMANDS, run, type RunResult } from './run';

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

  it('check, from JSON and from a packed file', () => {
    const plan = kettleInTheRain();
    expect(answer('check', plan)).toEqual({ findings: [] });
    expect(run(['check', 'x.kettle'], () => writeKettleFile({ plan, attachments: {} })).out).toContain(
      '"findings"',
    );
  });

  it('list knows every id', () => {
    const known = JSON.parse(run(['list'], () => new Uint8Array()).out) as Record<string, unknown[]>;
    expect(known['pigments']).toHaveLength(44);
    expect(known['papers']).toHaveLength(7);
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
  const ran = spawnSync('npx', ['tsx', 'cli/src/main.ts', 'size', '-'], {
    input: JSON.stringify(C6),
    encoding: 'utf8',
  });
  expect(ran.status).toBe(0);
  expect(JSON.parse(ran.stdout)).toMatchObject({ flat: { widthMm: 312 } });
  const bad = spawnSync('npx', ['tsx', 'cli/src/main.ts', 'size', 'no-such-file.json'], { encoding: 'utf8' });
  expect(bad.status).toBe(2);
  expect(bad.stdout).toBe('');
}, 30_000);
