import { zipSync, strToU8 } from 'fflate';
import { describe, expect, it } from 'vitest';
import { smallPlan, NEW_STUDIO } from '../../document/plan';
import { chance } from '../../kit/units';
import { readBackup, writeBackup, type StudioBackup } from '.';

const dice = chance(7);
const noise = (bytes: number): Uint8Array => Uint8Array.from({ length: bytes }, () => 256 * dice());

const backup: StudioBackup = {
  madeAt: '2026-12-01T18:00:00.000Z',
  studio: NEW_STUDIO,
  cards: Array.from({ length: 12 }, (_, i) => ({
    id: `card-${i}`,
    plan: { ...smallPlan(), id: `card-${i}`, title: `Card ${i}` },
    attachments: { [`picture-${i}.png`]: noise(3000) },
  })),
};

const PLANS = new Map(backup.cards.map(({ id, plan }) => [id, JSON.stringify(plan)]));
const PICTURES = backup.cards.flatMap(({ attachments }) => Object.values(attachments).map(String));

describe('a backup', () => {
  const file = writeBackup(backup);

  it('holds everything to the byte', () => {
    const { damaged, ...read } = readBackup(file);
    expect(damaged).toEqual([]);
    expect(read).toEqual(backup);
    expect(JSON.stringify(read.cards.map(({ plan }) => plan))).toBe(
      JSON.stringify(backup.cards.map(({ plan }) => plan)),
    );
  });

  it('damaged anywhere gives all that is whole and names the rest; nothing comes back altered', () => {
    for (let round = 0; round < 60; round++) {
      const hurt = file.slice();
      const from = Math.floor(dice() * hurt.length);
      const length = 1 + Math.floor(dice() * 400);
      for (let at = from; at < Math.min(hurt.length, from + length); at++) hurt[at] ^= 1 + 254 * dice();
      const read = readBackup(hurt);
      for (const card of read.cards) {
        expect(JSON.stringify(card.plan)).toBe(PLANS.get(card.id));
        for (const bytes of Object.values(card.attachments)) expect(PICTURES).toContain(String(bytes));
      }
      const missing = backup.cards.length - read.cards.length;
      const lostPictures = read.cards.filter(({ attachments }) => Object.keys(attachments).length === 0);
      const said = missing + lostPictures.length + (read.studio === null ? 1 : 0);
      expect(read.damaged.length).toBeGreaterThanOrEqual(said);
      expect(read.cards.length).toBeGreaterThanOrEqual(backup.cards.length - 2);
    }
  });

  it('cut short gives what came before the cut', () => {
    const read = readBackup(file.slice(0, file.length / 2));
    expect(read.cards.length).toBeGreaterThan(3);
    expect(read.cards.length + read.damaged.length).toBeGreaterThanOrEqual(backup.cards.length);
  });

  it('is refused where it is something else', () => {
    expect(() => readBackup(noise(5000))).toThrow(/no backup/);
    expect(() => readBackup(zipSync({ 'plan.json': strToU8('{}') }))).toThrow(/no backup/);
    expect(() => readBackup(new Uint8Array(0))).toThrow(/no backup/);
  });
});
