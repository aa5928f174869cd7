import { strFromU8, strToU8, zipSync, type Zippable } from 'fflate';
import * as z from 'zod';
import { BadInput, isoMoment, readInput } from '../../kit/units';
import { crc32 } from './crc32';
import { parseJson } from './kettle-file';
import { BACKUP_LIMITS, mustOpenAgain } from './limits';
import { wholeEntries, type WholeEntry } from './salvaged-zip';

/** A card of a backup: its plan as it is kept, and the files that belong to it. */
export interface BackedUpCard {
  readonly id: string;
  /** JSON as it was saved; a card that could not be read is kept as it is. */
  readonly plan: unknown;
  readonly attachments: Readonly<Record<string, Uint8Array>>;
}

/** Everything a studio keeps: its own settings and people, and all its cards with their pictures. */
export interface StudioBackup {
  /** When it was made, ISO. */
  readonly madeAt: string;
  readonly studio: unknown;
  readonly cards: readonly BackedUpCard[];
}

/** What could be read of a backup, and what is missing or damaged in it, by name. */
export interface ReadBackup extends StudioBackup {
  readonly damaged: readonly string[];
}

const contentsSchema = z.strictObject({
  format: z.literal('kettle-backup'),
  version: z.literal(1),
  madeAt: isoMoment,
  entries: z.array(
    z.strictObject({ name: z.string().max(300), title: z.string().max(200), crc: z.int().min(0) }),
  ),
});
type Contents = z.infer<typeof contentsSchema>;

const CONTENTS = 'backup.json';
/** The list of contents once more, at the end: a damage to one leaves the other. */
const CONTENTS_AGAIN = 'backup-again.json';
const STUDIO = 'studio.json';
const CARDS = 'cards/';
const PLAN = '/plan.json';
const ATTACHMENTS = '/attachments/';

/** A fixed date in the zip: when it was made stands in its contents. */
const ZIP_DATE = new Date('2000-01-01T00:00:00');

/**
 * Packs a studio as one file, a zip that lists what is in it with the check sum of each. Throws `BadInput` for more than could be
 * opened again.
 */
export function writeBackup({ madeAt, studio, cards }: StudioBackup): Uint8Array {
  const files: { name: string; title: string; bytes: Uint8Array; packed: boolean }[] = [
    { name: STUDIO, title: 'the studio: people, days, paint box', bytes: jsonBytes(studio), packed: true },
    ...cards.flatMap(({ id, plan, attachments }) => [
      { name: CARDS + id + PLAN, title: titleOf(plan, id), bytes: jsonBytes(plan), packed: true },
      ...Object.entries(attachments).map(([file, bytes]) => ({
        ...{ name: CARDS + id + ATTACHMENTS + file, title: `a picture of ${titleOf(plan, id)}` },
        // Pictures are packed already.
        ...{ bytes, packed: false },
      })),
    ]),
  ];
  mustOpenAgain(
    files.map(({ bytes }) => bytes),
    BACKUP_LIMITS,
  );
  const contents: Contents = {
    ...{ format: 'kettle-backup', version: 1, madeAt },
    entries: files.map(({ name, title, bytes }) => ({ name, title, crc: crc32(bytes) })),
  };
  const zip: Zippable = { [CONTENTS]: jsonBytes(contents) };
  for (const { name, bytes, packed } of files) zip[name] = [bytes, { level: packed ? 6 : 0 }];
  zip[CONTENTS_AGAIN] = jsonBytes(contents);
  return zipSync(zip, { mtime: ZIP_DATE });
}

/** Reads a backup, what is whole of it. Throws `BadInput` where it is none, or nothing of it can be read. */
export function readBackup(file: Uint8Array): ReadBackup {
  const found = new Map<string, WholeEntry>();
  for (const entry of wholeEntries(file, BACKUP_LIMITS)) found.set(entry.name, entry);
  const contents = contentsIn(found);
  const whole = contents.entries.filter(({ name, crc }) => found.get(name)?.crc === crc);
  const isWhole = new Set(whole.map(({ name }) => name));
  const json = (name: string): unknown => parseJson(strFromU8(found.get(name)!.bytes), name);
  return {
    madeAt: contents.madeAt,
    studio: isWhole.has(STUDIO) ? json(STUDIO) : null,
    cards: cardIds(isWhole).map((id) => ({
      id,
      plan: json(CARDS + id + PLAN),
      attachments: attachmentsIn(found, isWhole, id),
    })),
    damaged: contents.entries.filter(({ name }) => !isWhole.has(name)).map(({ title }) => title),
  };
}

function contentsIn(found: ReadonlyMap<string, WholeEntry>): Contents {
  const entry = found.get(CONTENTS) ?? found.get(CONTENTS_AGAIN);
  if (!entry)
    throw new BadInput(
      'file',
      'is no backup of Kettle Drift, or so damaged that its contents cannot be told',
    );
  return readInput(contentsSchema, parseJson(strFromU8(entry.bytes), CONTENTS));
}

const cardIds = (names: ReadonlySet<string>): string[] =>
  [...names].flatMap((name) =>
    name.startsWith(CARDS) && name.endsWith(PLAN) ? [name.slice(CARDS.length, -PLAN.length)] : [],
  );

function attachmentsIn(
  found: ReadonlyMap<string, WholeEntry>,
  whole: ReadonlySet<string>,
  card: string,
): Record<string, Uint8Array> {
  const folder = CARDS + card + ATTACHMENTS;
  return Object.fromEntries(
    [...whole]
      .filter((name) => name.startsWith(folder))
      .map((name) => [name.slice(folder.length), new Uint8Array(found.get(name)!.bytes)]),
  );
}

const jsonBytes = (value: unknown): Uint8Array => strToU8(JSON.stringify(value));

function titleOf(plan: unknown, id: string): string {
  const title = typeof plan === 'object' && plan !== null ? (plan as { title?: unknown }).title : undefined;
  return typeof title === 'string' && title !== '' ? `“${title.slice(0, 80)}”` : `the card ${id}`;
}
