import { existsSync, readdirSync, readFileSync } from 'node:fs';
import { expect, it } from 'vitest';
import { arrowsOf, readRooms, roomsDrawing, roomsTable, withRooms } from './rooms';

const rooms = readRooms();
const arrows = arrowsOf(rooms);
const readme = readFileSync('README.md', 'utf8');

it('every folder of core is a room, and every folder in it a subject', () => {
  expect(readdirSync('core/src').filter((name) => name !== 'testing')).toEqual(Object.keys(rooms).sort());
  for (const [room, { subjects }] of Object.entries(rooms))
    expect(readdirSync(`core/src/${room}`)).toEqual(Object.keys(subjects).sort());
});

it('no room imports one that stands after it', () => {
  const order = Object.keys(rooms);
  expect(arrows.filter(({ from, to }) => order.indexOf(to) >= order.indexOf(from))).toEqual([]);
  expect(arrows.length).toBeLessThanOrEqual(41);
});

it('the map in README is the one that is drawn from the imports', () => {
  expect(withRooms(readme, roomsTable(rooms, arrows))).toBe(readme);
  expect(readFileSync('docs/rooms.svg', 'utf8')).toBe(roomsDrawing(rooms, arrows));
});

it('where README says a rule is, there is a file', () => {
  const asked = [...readme.matchAll(/^\| [^|]+\? \| `([^`]+)` \|$/gm)].map(([, path]) => path);
  expect(asked.length).toBeGreaterThanOrEqual(20);
  expect(asked.filter((path) => !existsSync(path))).toEqual([]);
});

it('an arrow back is seen', () => {
  const turned = Object.fromEntries(Object.entries(rooms).reverse());
  const order = Object.keys(turned);
  expect(arrowsOf(turned).some(({ from, to }) => order.indexOf(to) > order.indexOf(from))).toBe(true);
});
