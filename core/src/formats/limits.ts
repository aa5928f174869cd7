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

/** A card: a plan of some MB at most, and its pictures, which are packed already. */
export const CARD_LIMITS: PackedLimits = {
  ...{ fileBytes: 96 * MB, entryBytes: 40 * MB, allBytes: 96 * MB, entries: 60 },
};

/** A picture of layers, of which only the whole one is unpacked. */
export const LAYERED_LIMITS: PackedLimits = {
  ...{ fileBytes: 60 * MB, entryBytes: 40 * MB, allBytes: 40 * MB, entries: 2000 },
};

/** A whole studio, with all its cards. */
export const BACKUP_LIMITS: PackedLimits = {
  ...{ fileBytes: 1024 * MB, entryBytes: 64 * MB, allBytes: 1024 * MB, entries: 20_000 },
};

/** A text that is read as a whole (JSON, calendar, table, palette), characters. */
export const MOST_CHARACTERS = 12_000_000;

/** Lists within lists and fields within fields of a JSON text. */
export const DEEPEST = 60;

/** Says a number of bytes in whole MB. */
export const inMB = (bytes: number): string => `${Math.round(bytes / MB)} MB`;
