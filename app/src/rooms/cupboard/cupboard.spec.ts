import { describe, expect, it } from 'vitest';
import { paperById } from '@kettle/core/materials/paper';
import { PIGMENTS } from '@kettle/core/materials/pigment';
import { labelSheet } from '@kettle/core/files/prints';
import { MILLRACE_LANE } from '../../../../demo/millrace-lane';
import { readCsv, writeCsv } from './csv';
import { shelfCards } from './cupboard.view';

const paper = paperById('cotton-cold-300');
const { box } = MILLRACE_LANE;
const cards = (search: string, ownedOnly = false) => shelfCards(PIGMENTS, box, paper, search, ownedOnly);

describe('the shelf of pigments', () => {
  it('has a card for every pigment, what is owned first', () => {
    const all = cards('');
    expect(all).toHaveLength(PIGMENTS.length);
    expect(all.slice(0, box.length).every(({ own }) => own !== null)).toBe(true);
    expect(cards('', true)).toHaveLength(box.length);
  });

  it('says how each paints, and cautions where it is due', () => {
    const [cadmium] = cards('PR108');
    expect(cadmium.caution).toMatch(/Cadmium/);
    expect(cadmium.facts.map(({ what }) => what)).toEqual([
      ...['covers', 'staining', 'settles'],
      ...['light', 'strength', 'drying'],
    ]);
    const [blue] = cards('PB15:3');
    expect(blue.facts.map(({ says }) => says)).toEqual(
      expect.arrayContaining(['transparent', 'stains', 'smooth', 'strong']),
    );
    expect(blue.tints).toHaveLength(5);
    // Everything dries paler than it was laid.
    for (const { facts } of cards('')) expect(facts.at(-1)!.says).toMatch(/^-?\d+ L\* paler$/);
  });

  it('is searched by name, code and the painter’s own words', () => {
    expect(cards('umber').map(({ name }) => name)).toEqual(['raw umber', 'burnt umber']);
    expect(cards('glowing').map(({ code }) => code)).toEqual(['PO48']);
    expect(cards('drawer').map(({ code }) => code)).toEqual(['PW6', 'MICA-gold']);
    expect(cards('nothing of the kind')).toEqual([]);
  });
});

it('a table comes back from CSV with commas, quotes and semicolons, its byte order mark passed over', () => {
  const rows = [
    ['code', 'label'],
    ['PB29', 'the "big" one, blue'],
  ];
  expect(readCsv(`\uFEFF${writeCsv(rows)}`)).toEqual(rows);
  const formulas = [['=1+1', '+a', '-2', '@x', "'=z", "it's"]];
  expect(writeCsv(formulas)).not.toMatch(/(^|,)"?[=+@-]/);
  expect(readCsv(writeCsv(formulas))).toEqual(formulas);
  expect(readCsv('code;label\r\nPB29;x\r\n\r\n')).toEqual([
    ['code', 'label'],
    ['PB29', 'x'],
  ]);
});

it('labels carry the painter’s name, the code and a hazard, and no mark-up of theirs', () => {
  const svg = labelSheet(
    [
      { code: 'PR108', label: '<hot> & red', place: 'row 1' },
      { code: 'PX1', label: '', place: '' },
    ],
    PIGMENTS,
    'labels',
  );
  expect(svg).toContain('&lt;hot&gt; &amp; red');
  expect(svg).toContain('row 1 · cadmium');
  expect(svg).toContain('>PX1<');
  expect(svg.match(/<rect/g)).toHaveLength(4);
});
