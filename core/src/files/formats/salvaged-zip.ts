import { inflateSync, strFromU8 } from 'fflate';
import { BadInput } from '../../kit/units';
import { crc32 } from './crc32';
import { inMB, type PackedLimits } from './limits';

/** An entry of a zip that was found whole: its content agrees with its check sum. */
export interface WholeEntry {
  readonly name: string;
  readonly crc: number;
  readonly bytes: Uint8Array;
}

/** Local file header (APPNOTE.TXT 4.3.7): signature, and where its fields stand. */
const SIGNATURE = 0x04034b50;
const HEADER_BYTES = 30;
const METHOD_AT = 8;
const CRC_AT = 14;
const PACKED_AT = 18;
const UNPACKED_AT = 22;
const NAME_LENGTH_AT = 26;
const EXTRA_LENGTH_AT = 28;
const STORED = 0;
const DEFLATED = 8;

/**
 * What is whole in a zip, damaged or not: every entry stands behind a header of its own, so that one that is spoilt costs
 * itself alone, wherever the damage is. An entry that unpacks to more than the limits is passed over. Throws `BadInput` on `file`
 * where all of them together do, or there are too many.
 */
export function* wholeEntries(file: Uint8Array, limits: PackedLimits): Generator<WholeEntry> {
  if (file.length > limits.fileBytes) throw new BadInput('file', `is larger than ${inMB(limits.fileBytes)}`);
  const view = new DataView(file.buffer, file.byteOffset, file.byteLength);
  let [all, count] = [0, 0];
  for (let at = 0; at + HEADER_BYTES <= file.length; at++) {
    if (view.getUint32(at, true) !== SIGNATURE) continue;
    const entry = entryAt(file, view, at, limits.entryBytes);
    if (!entry) continue;
    all += entry.whole.bytes.length;
    if (all > limits.allBytes)
      throw new BadInput('file', `holds more than ${inMB(limits.allBytes)} when it is unpacked`);
    if (++count > limits.entries) throw new BadInput('file', `holds more than ${limits.entries} entries`);
    yield entry.whole;
    at = entry.endsAt - 1;
  }
}

function entryAt(
  file: Uint8Array,
  view: DataView,
  at: number,
  largestBytes: number,
): { whole: WholeEntry; endsAt: number } | null {
  const method = view.getUint16(at + METHOD_AT, true);
  const crc = view.getUint32(at + CRC_AT, true);
  const nameFrom = at + HEADER_BYTES;
  const nameTo = nameFrom + view.getUint16(at + NAME_LENGTH_AT, true);
  const from = nameTo + view.getUint16(at + EXTRA_LENGTH_AT, true);
  const endsAt = from + view.getUint32(at + PACKED_AT, true);
  const size = view.getUint32(at + UNPACKED_AT, true);
  if (endsAt > file.length || size > largestBytes || (method !== STORED && method !== DEFLATED)) return null;
  const bytes = unpacked(file.subarray(from, endsAt), method, size);
  if (bytes?.length !== size || crc32(bytes) !== crc) return null;
  return { whole: { name: strFromU8(file.subarray(nameFrom, nameTo)), crc, bytes }, endsAt };
}

function unpacked(packed: Uint8Array, method: number, size: number): Uint8Array | null {
  if (method === STORED) return packed;
  try {
    return inflateSync(packed, { out: new Uint8Array(size) });
  } catch {
    // Damaged: its check sum could not be right either.
    return null;
  }
}
