import { describe, expect, it } from 'vitest';
import { labOfHex } from '@kettle/core/kit/colour';
import { glazeLab, pigmentByCode, PIGMENTS } from '@kettle/core/materials/pigment';
import { applyCommands, NEW_STUDIO, newMix, type Command, type Plan } from '@kettle/core/document/plan';
import { kettleInTheRain } from '../../../../demo/kettle-in-the-rain';
import { quinceBranch } from '../../../../demo/quince-branch';
import { done } from '@kettle/core/kit/units';
import { reckoningColours } from '../../workers/colour-reckoning';
import { amountRows, jarsInWords, mlInWords } from './amounts.view';
import { blobPath } from './blob';
import { cardLook } from './card-look';
import { chartsOf, freeCode, readRows, sheetOf } from './charts.view';
import { factsInWords, labTyped, pigmentChoices } from './colours.view';
import { dishDrawing, ghostOf, strengthPulledTo, tooManyOut } from './dish.view';
import {
  counterchangeInWords,
  edgeInWords,
  ladderOf,
  ladderY,
  meetingsInWords,
  oneToneInWords,
  originInWords,
  verdictInWords,
} from './values.view';

const plan = kettleInTheRain();
const { dish } = NEW_STUDIO;
const did = (...commands: Command[]): Plan => applyCommands(plan, commands).plan;
const generic = ({ name }: { readonly name: string }): string => name;
const palette = plan.embedded.pigments.filter(({ code }) => plan.palette.includes(code));

describe('the dish', () => {
  const drawing = dishDrawing(plan, 'D65', generic);

  it('has every mix, wet darker than dry and its rim darker than its middle, and leads from all its parts', () => {
    expect(drawing.mixes.map(({ id }) => id)).toEqual(plan.mixes.map(({ id }) => id));
    for (const { wet, dry, rim } of drawing.mixes) {
      expect(labOfHex(wet)[0]).toBeLessThan(labOfHex(dry)[0]);
      expect(labOfHex(rim)[0]).toBeLessThan(labOfHex(dry)[0]);
    }
    expect(drawing.leads).toHaveLength(plan.mixes.reduce((sum, { parts }) => sum + parts.length, 0));
  });

  it('names stand outside the rim, on the side of their pigment', () => {
    for (const { x, words } of drawing.pigments) {
      expect(Math.hypot(words.x, words.y)).toBeGreaterThan(100);
      if (words.anchor !== 'middle') expect(words.anchor).toBe(x > 0 ? 'start' : 'end');
    }
  });

  it('shows an answer where it falls, and moves nothing for it', () => {
    const ghost = ghostOf(
      [
        { pigment: 'PB29', parts: 2 },
        { pigment: 'PBr7-raw-sienna', parts: 1 },
      ],
      0.2,
    );
    const seen = dishDrawing(plan, 'D65', generic, ghost);
    expect(seen.ghost).not.toBeNull();
    expect(seen.mixes).toEqual(drawing.mixes);
    expect(seen.pigments).toEqual(drawing.pigments);
  });

  it('a mix pulled to where it lies is as strong as it was', () => {
    for (const { id, strength } of plan.mixes) {
      const { x, y } = drawing.mixes.find((mix) => mix.id === id)!;
      expect(strengthPulledTo(x, y)).toBeCloseTo(strength, 2);
    }
  });

  it('looks otherwise under a warm lamp, and holds six pigments', () => {
    expect(dishDrawing(plan, 'warm', generic).mixes[0].dry).not.toBe(drawing.mixes[0].dry);
    expect(tooManyOut(plan, plan.palette)).toBe('');
    const six = ['PB29', 'PR122', 'PY3', 'PG7', 'PO48', 'PB60'];
    const full = did({ do: 'set-out', palette: six, pigments: six.map((code) => pigmentByCode(code)) });
    expect(full.palette.length).toBeGreaterThan(6);
    expect(tooManyOut(plan, six)).toMatch(/holds 6 pigments.* are 8; take one off/);
    // One that holds too many already, from an older card, may be emptied.
    expect(tooManyOut(full, full.palette.slice(1))).toBe('');
  });

  it('draws the same dab for the same name, closed, about as large as it should be', () => {
    expect(blobPath(10, 'rain')).toBe(blobPath(10, 'rain'));
    expect(blobPath(10, 'rain')).not.toBe(blobPath(10, 'cloud'));
    const numbers = blobPath(10, 'rain')
      .match(/-?\d+\.\d+/g)!
      .map(Number);
    expect(Math.max(...numbers)).toBeLessThan(13);
    expect(blobPath(10, 'rain')).toMatch(/^M.*Z$/);
  });
});

describe('a colour as it is typed', () => {
  it.each([
    ['#10a060', true],
    ['10A060', true],
    ['50, -20, 30', true],
    ['50 −20 30', true],
    ['#10a06', false],
    ['300, 0, 0', false],
    ['50, 20', false],
    ['red', false],
    ['', false],
  ])('%s', (text, reads) => expect(labTyped(text) !== null).toBe(reads));
  it('is read for what it says', () => expect(labTyped('50; -20; 30')).toEqual([50, -20, 30]));
});

describe('pigments to choose from', () => {
  it('mark what wants care, and say how each paints', () => {
    const [cadmium] = pigmentChoices(plan, [pigmentByCode('PR108')], generic);
    expect(cadmium.label).toMatch(/PR108 · with care$/);
    expect(pigmentChoices(plan, [pigmentByCode('PB29')], generic)[0].label).not.toMatch(/care/);
    expect(factsInWords(pigmentByCode('PB29'), plan.embedded.papers[0])).toMatch(
      /^Transparent, .*granulates; constructed\.$/,
    );
  });
});

describe('charts', () => {
  it('have a row for every pair, tint and glaze, and call a grey by its name', () => {
    const [pairs, tints, glazes] = chartsOf(plan, palette, generic);
    expect([pairs.rows.length, tints.rows.length, glazes.rows.length]).toEqual([6, 4, 4]);
    expect(pairs.rows.every(({ dabs }) => dabs.length === pairs.head.length)).toBe(true);
    expect(pairs.rows.find(({ name }) => name === 'ultramarine blue with burnt sienna')!.says).toBe('a grey');
    expect(chartsOf(plan, [], generic)).toEqual([]);
  });

  it('of a sheet read back say how far each pigment is from its forecast, and calibrate from what was read', () => {
    const sheet = sheetOf(palette, generic);
    const grey = sheet.cells.map((): [number, number, number] => [50, 0, 0]);
    const rows = readRows(plan, sheet, grey, palette);
    expect(rows.map(({ code }) => code)).toEqual(palette.map(({ code }) => code));
    expect(rows[0].swatches.map(({ ground, strength }) => [ground, strength])).toEqual([
      ['paper', 1],
      ['paper', 0.125],
      ['black', 1],
    ]);
    expect(rows.every(({ deltaE }) => deltaE > 5)).toBe(true);
  });
});

it('a pigment of the painter’s own has a code of its name that no other has', () => {
  expect(freeCode('Old Harbour blue!', [])).toBe('own-old-harbour-blue');
  expect(freeCode('Old harbour blue', ['own-old-harbour-blue'])).toBe('own-old-harbour-blue-2');
  expect(freeCode('…', [])).toBe('own-pigment');
  expect(freeCode('x'.repeat(80), []).length).toBeLessThan(40);
});

describe('values', () => {
  const found = done(reckoningColours(plan, dish));

  it('ladder: each dab at its own height, no word over another', () => {
    const { rungs, height } = ladderOf(found.ladder);
    rungs.slice(1).forEach((rung, i) => expect(rung.y - rungs[i].y).toBeGreaterThanOrEqual(17));
    rungs.forEach((rung, i) => expect(rung.at).toBe(ladderY(found.ladder[i].lightness)));
    expect(height).toBeGreaterThan(rungs.at(-1)!.y);
  });

  it('are said in words: edges, bodies, one value', () => {
    expect(
      edgeInWords(plan, { one: 'pane', other: 'kettle', sharedMm: 70, differenceL: 4, lost: true }),
    ).toBe('pane against kettle: 4 L* along 70 mm, a lost edge');
    const body = { area: 'kettle', litL: 3, shadeL: -20, lit: [0, 0], shade: [0, 0] } as const;
    expect(counterchangeInWords(plan, body)).toBe(
      'kettle: its lit side runs into its ground (3 L*), its shaded side is 20 L* darker than its ground.',
    );
    expect(oneToneInWords([0.02, 0.9, 0.08])).toMatch(/All one value: 90 % of it is middle/);
    expect(oneToneInWords([0.3, 0.4, 0.3])).toBe('');
  });

  it('a mix says what becomes of it, and what appears where it meets another wet', () => {
    expect(verdictInWords('mud')).toMatch(/Mud/);
    expect(verdictInWords(undefined)).toBe('');
    const both = ['rain', 'copper'] as const;
    const meeting = { kind: 'grey', word: 'grey', lab: [50, 0, 0], share: 0.5 } as const;
    const meetings = [{ one: 'pane', other: 'kettle', mixes: both, meeting }];
    expect(meetingsInWords(plan, meetings, 'rain')).toEqual([
      'Wet beside copper a grey appears between them: keep a pale band, or let it dry.',
    ]);
    expect(meetingsInWords(plan, meetings, 'oak')).toEqual([]);
    expect(originInWords(palette)).toMatch(/constructed/);
    expect(originInWords(palette.map((p) => ({ ...p, origin: 'calibrated' as const })))).toMatch(/your own/);
  });
});

describe('the card', () => {
  it('is seen as it dries, in three tones when squinting, and in another light by its spectra', () => {
    const kettle = (light: 'D65' | 'warm', squint: 'open' | 3): string =>
      cardLook(plan, light, squint).shapes.find(({ id }) => id === 'kettle')!.fill!;
    expect(labOfHex(kettle('D65', 'open'))[0]).toBeCloseTo(
      done(reckoningColours(plan, dish)).ladder.find(({ id }) => id === 'kettle')!.lightness,
      0,
    );
    const tones = new Set(cardLook(plan, 'D65', 3).shapes.map(({ fill }) => fill));
    expect(tones.size).toBeLessThanOrEqual(3);
    for (const tone of tones) expect(Math.hypot(...labOfHex(tone!).slice(1))).toBeLessThan(1);
    expect(kettle('warm', 'open')).not.toBe(kettle('D65', 'open'));
    expect(cardLook(plan, 'D65', 'open').lines).toEqual([]);
  });
});

describe('amounts', () => {
  const batch = quinceBranch();
  const { amounts, jars } = done(reckoningColours(batch, dish));

  it('say what is mixed, what it makes, and what is short', () => {
    const [row] = amountRows(batch, amounts, dish);
    expect(row.mixes).toMatch(
      /^Mix \d+\.\d ml: .* nickel azo yellow, .* quinacridone burnt orange, .* water\.$/,
    );
    expect(row.uses).toMatch(/brush-loads/);
    expect(row.stop).toBe('');
    const mixes = batch.mixes.map((mix) => ({ ...mix, mixedMl: 0.5 }));
    const little = { ...batch, mixes };
    expect(amountRows(little, done(reckoningColours(little, dish)).amounts, dish)[0].stop).toMatch(
      /short: it would run out/,
    );
  });

  it('say when a mix fills more wells than there are', () => {
    const small = { ...dish, wells: 2, wellMl: 0.5 };
    expect(amountRows(batch, done(reckoningColours(batch, small)).amounts, small)[0].uses).toMatch(
      /It fills \d+ wells of 0\.50 ml, and the dish has 2 in all: take a larger bowl/,
    );
  });

  it('put first what must stand ready before any wetting', () => {
    const rows = amountRows(plan, done(reckoningColours(plan, dish)).amounts, dish);
    expect(rows.map(({ first }) => first)).toEqual([...rows.map(({ first }) => first)].sort().reverse());
    expect(rows[0].first).toBe(true);
  });

  it('measure small amounts finer, and name the jars', () => {
    expect([mlInWords(0.123), mlInWords(12.34)]).toEqual(['0.12 ml', '12.3 ml']);
    expect(jarsInWords(batch, { jars: 2, opposites: [] })).toMatch(/^Two jars/);
    expect(jarsInWords(batch, { jars: 3, opposites: [{ one: 'quince', other: 'bark' }] })).toMatch(
      /^Three jars of water: quince yellow and bark are opposites/,
    );
    expect(jars.jars).toBeGreaterThanOrEqual(2);
  });
});

it('an ink is not lifted, watercolour under it is', () => {
  const lit = (medium: 'watercolour' | 'ink'): number => {
    const mix = newMix({
      id: 'shade',
      name: 's',
      parts: [{ pigment: 'PB29', parts: 1 }],
      strength: 0.5,
      medium,
    });
    const lifted = did(
      { do: 'put-mix', mix, pigments: [] },
      {
        do: 'keep-white',
        white: { id: 'w', area: 'kettle', way: 'lift', tool: null, wanted: null, edge: 'soft' },
      },
    );
    return done(reckoningColours(lifted, dish)).ladder.find(({ id }) => id === 'kettle')!.lightness;
  };
  expect(lit('watercolour')).toBeGreaterThan(lit('ink') + 5);
  expect(glazeLab(plan.embedded.papers[0], [])[0]).toBeGreaterThan(lit('watercolour'));
  expect(PIGMENTS.length).toBe(46);
});
