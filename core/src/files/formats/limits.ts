import { BadInput } from '../../kit/units';

const MB = 1024 * 1024;

/** What a packed file may hold, so that a small one cannot fill the memory or hold the painter up. */
export interface PackedLimits {
  /** The file as it comes, bytes. */
  readonly fileBytes: number;
  /** Any one entry unpacked, bytes. */
  readonly entryBytes: number;
  /** All entries unpacked, bytes. */
  readonly allBytes: number;
  readonly entries: number;
}

/** A card: a plan of thousands of strokes takes tens of MB as text; its pictures are packed already. */
export const CARD_LIMITS: PackedLimits = {
  ...{ fileBytes: 192 * MB, entryBytes: 64 * MB, allBytes: 192 * MB, entries: 60 },
};

/** The pictures of one card together, bytes: with its plan they fit into a file that opens again. */
export const MOST_PICTURE_BYTES = CARD_LIMITS.allBytes - CARD_LIMITS.entryBytes;

/** A picture of layers, of which only the whole one is unpacked. */
export const LAYERED_LIMITS: PackedLimits = {
  ...{ fileBytes: 60 * MB, entryBytes: 40 * MB, allBytes: 40 * MB, entries: 2000 },
};

/** A whole studio, with all its cards. */
export const BACKUP_LIMITS: PackedLimits = {
  ...{ fileBytes: 1024 * MB, entryBytes: 256 * MB, allBytes: 1024 * MB, entries: 20_000 },
};

/** A JSON text, characters: as long as the largest entry of a card. */
export const MOST_CHARACTERS = 64_000_000;

/** Lists within lists and fields within fields of a JSON text. */
export const DEEPEST = 60;

/** What is written must open again. Throws `BadInput` on `file` where it would not. */
export function mustOpenAgain(contents: readonly Uint8Array[], limits: PackedLimits): void {
  const all = contents.reduce((sum, { length }) => sum + length, 0);
  const tooLarge = contents.some(({ length }) => length > limits.entryBytes) || all > limits.allBytes;
  if (tooLarge || contents.length > limits.entries)
    throw new BadInput(
      'file',
      `would hold more than ${inMB(limits.allBytes)}, and could not be opened again`,
    );
}

/** Says a number of bytes in whole MB. */
export const inMB = (bytes: number): string => `${Math.round(bytes / MB)} MB`;
