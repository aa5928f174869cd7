// Puts the map of core into README, and draws docs/rooms.svg: the rooms in their order, with the arrows as the files import.
import { readdirSync, readFileSync, writeFileSync } from 'node:fs';
import { join, normalize } from 'node:path';
import { pathToFileURL } from 'node:url';
import * as z from 'zod';

const [BEGINS, ENDS] = ['<!-- rooms begin -->', '<!-- rooms end -->'];

const roomsSchema = z.record(
  z.string(),
  z.strictObject({ says: z.string(), subjects: z.record(z.string(), z.string()) }),
);
export type Rooms = z.infer<typeof roomsSchema>;

export const readRooms = (): Rooms => roomsSchema.parse(JSON.parse(readFileSync('core/rooms.json', 'utf8')));

/** One room that imports another, and from how many files. */
export interface Arrow {
  readonly from: string;
  readonly to: string;
  readonly files: number;
}

const IMPORTED = /from '(\.{1,2}\/[^']+)'/g;

/** The arrows between rooms as the files of core import, tests apart. */
export function arrowsOf(rooms: Rooms, root = 'core/src'): Arrow[] {
  const counts = new Map<string, number>();
  for (const from of Object.keys(rooms))
    for (const entry of readdirSync(join(root, from), { recursive: true, withFileTypes: true })) {
      if (!entry.name.endsWith('.ts') || entry.name.endsWith('.spec.ts')) continue;
      const text = readFileSync(join(entry.parentPath, entry.name), 'utf8');
      const paths = [...text.matchAll(IMPORTED)].map(([, path]) => normalize(join(entry.parentPath, path)));
      const others = new Set(paths.map((path) => path.slice(root.length + 1).split('/')[0]));
      for (const to of others)
        if (to !== from && to in rooms) counts.set(`${from} ${to}`, (counts.get(`${from} ${to}`) ?? 0) + 1);
    }
  return [...counts].map(([pair, files]) => {
    const [from, to] = pair.split(' ');
    return { from, to, files };
  });
}

/** A row a room: what it holds, and which rooms it imports. */
export function roomsTable(rooms: Rooms, arrows: readonly Arrow[]): string {
  const order = Object.keys(rooms);
  const row = ([room, { says, subjects }]: [string, Rooms[string]]): string => {
    const to = arrows.filter(({ from }) => from === room).map((arrow) => arrow.to);
    const held = Object.entries(subjects).map(([subject, what]) => `**${subject}** ${what}`);
    const imports = order.filter((other) => to.includes(other)).join(', ');
    return `| \`core/${room}\` ${says} | ${held.join('; ')} | ${imports === '' ? 'nothing' : imports} |`;
  };
  return [
    '| room | subjects | imports |',
    '| --- | --- | --- |',
    ...Object.entries(rooms).map(row),
    '',
    `${arrows.length} arrows between ${order.length} rooms, each to a room above it:`,
    '',
    '![the rooms of core and their imports](docs/rooms.svg)',
  ].join('\n');
}

/** README with the table in its place. */
export function withRooms(readme: string, table: string): string {
  const [from, to] = [readme.indexOf(BEGINS), readme.indexOf(ENDS)];
  return `${readme.slice(0, from)}${BEGINS}\n${table}\n${readme.slice(to)}`;
}

/** Rooms in a column stand so far apart, px, and an arrow bows out by so much for each room it passes. */
const APART = 58;
const BOX = [150, 34] as const;
const LEFT = 250;
const BOW = 26;

/** The rooms in a column, the most general at the top; arrows bow to the left, thicker the more files there are behind them. */
export function roomsDrawing(rooms: Rooms, arrows: readonly Arrow[]): string {
  const order = Object.keys(rooms);
  const y = (room: string): number => 20 + APART * order.indexOf(room);
  const arrow = ({ from, to, files }: Arrow): string => {
    const [fromY, toY] = [y(from) + BOX[1] / 2 - 6, y(to) + BOX[1] / 2 + 6];
    const bow = LEFT - 14 - BOW * (order.indexOf(from) - order.indexOf(to));
    return `<path d="M${LEFT} ${fromY} C${bow} ${fromY} ${bow} ${toY} ${LEFT - 3} ${toY}" stroke-width="${(0.7 + files / 25).toFixed(2)}" marker-end="url(#head)"><title>${from} imports ${to} in ${files} files</title></path>`;
  };
  const room = (name: string): string =>
    `<rect x="${LEFT}" y="${y(name)}" width="${BOX[0]}" height="${BOX[1]}" rx="5"/><text x="${LEFT + BOX[0] / 2}" y="${y(name) + 22}">${name}</text>`;
  return [
    `<svg xmlns="http://www.w3.org/2000/svg" width="${LEFT + BOX[0] + 20}" height="${APART * order.length + 20}" font-family="serif" font-size="16">`,
    '<rect width="100%" height="100%" fill="#fbf8f1"/>',
    '<defs><marker id="head" viewBox="0 0 8 8" refX="7" refY="4" markerWidth="7" markerHeight="7" markerUnits="userSpaceOnUse" orient="auto"><path d="M0 0L8 4L0 8z" fill="#3d6b70"/></marker></defs>',
    `<g fill="none" stroke="#3d6b70" stroke-opacity="0.75">${arrows.map(arrow).join('')}</g>`,
    `<g fill="#ffffff" stroke="#3d6b70" text-anchor="middle">${order.map(room).join('').replaceAll('<text', '<text fill="#22313a" stroke="none"')}</g>`,
    '</svg>\n',
  ].join('\n');
}

if (import.meta.url === pathToFileURL(process.argv[1]).href) {
  const rooms = readRooms();
  const arrows = arrowsOf(rooms);
  writeFileSync('README.md', withRooms(readFileSync('README.md', 'utf8'), roomsTable(rooms, arrows)));
  writeFileSync('docs/rooms.svg', roomsDrawing(rooms, arrows));
  console.log(`${arrows.length} arrows between ${Object.keys(rooms).length} rooms`);
}
