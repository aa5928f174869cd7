import { inflateSync, strFromU8 } from 'fflate';
import { BadInput } from '../../kit/units';
import { crc32 } from './crc32';
import { inMB, type PackedLimits } from './limits';

/** Central directory (APPNOTE.TXT 4.3.12, 4.3.16): signatures, sizes, and where the fields stand. */
const END = 0x06054b50;
const END_BYTES = 22;
const LONGEST_COMMENT = 0xffff;
const CENTRAL = 0x02014b50;
const CENTRAL_BYTES = 46;
const LOCAL = 0x04034b50;
const LOCAL_BYTES = 30;
const ENCRYPTED = 1;
const STORED = 0;
const DEFLATED = 8;

/** An entry as the directory tells it. */
interface Entry {
  readonly name: string;
  readonly method: number;
  readonly crc: number;
  readonly size: number;
  readonly from: number;
  readonly to: number;
}

/**
 * The entries of a zip that are `wanted`, each found to agree with its check sum. The directory and the head of each entry must
 * tell the same. Throws `BadInput` on `file`, or on the entry, for what is no zip, is damaged, is larger than the limits, has
 * two entries of one name or of one content, or a name that leads out of the file.
 */
export function readZip(
  file: Uint8Array,
  limits: PackedLimits,
  wanted: (name: string) => boolean = () => true,
): Map<string, Uint8Array> {
  if (file.length > limits.fileBytes) throw new BadInput('file', `is larger than ${inMB(limits.fileBytes)}`);
  const entries = directoryOf(file, limits).filter(({ name }) => wanted(name));
  const all = entries.reduce((sum, { size }) => sum + size, 0);
  if (all > limits.allBytes)
    throw new BadInput('file', `holds more than ${inMB(limits.allBytes)} when it is unpacked`);
  return new Map(entries.map((entry) => [entry.name, contentOf(file, entry)]));
}

/** What stands in the directory, which is looked through as a whole before anything is unpacked. */
function directoryOf(file: Uint8Array, limits: PackedLimits): Entry[] {
  const view = new DataView(file.buffer, file.byteOffset, file.byteLength);
  const end = endOf(view);
  const count = view.getUint16(end + 10, true);
  if (count > limits.entries) throw new BadInput('file', `holds ${count} entries; ${limits.entries} go`);
  const entries: Entry[] = [];
  let at = view.getUint32(end + 16, true);
  for (let i = 0; i < count; i++) {
    if (at + CENTRAL_BYTES > end || view.getUint32(at, true) !== CENTRAL) throw damaged();
    const [nameLength, extraLength, commentLength] = [28, 30, 32].map((field) =>
      view.getUint16(at + field, true),
    );
    const name = nameAt(file, at + CENTRAL_BYTES, nameLength);
    const size = view.getUint32(at + 24, true);
    if (size > limits.entryBytes)
      throw new BadInput(name, `is larger than ${inMB(limits.entryBytes)} when it is unpacked`);
    entries.push(entryAt(file, view, at, name, size, end));
    at += CENTRAL_BYTES + nameLength + extraLength + commentLength;
  }
  mustBeApart(entries);
  return entries;
}

function endOf(view: DataView): number {
  const first = Math.max(0, view.byteLength - END_BYTES - LONGEST_COMMENT);
  for (let at = view.byteLength - END_BYTES; at >= first; at--)
    if (view.getUint32(at, true) === END) return at;
  throw damaged();
}

/** An entry by its line in the directory; its own head must say the same. */
function entryAt(
  file: Uint8Array,
  view: DataView,
  line: number,
  name: string,
  size: number,
  end: number,
): Entry {
  const [flags, method] = [view.getUint16(line + 8, true), view.getUint16(line + 10, true)];
  const [crc, packed, head] = [16, 20, 42].map((field) => view.getUint32(line + field, true));
  if (flags & ENCRYPTED) throw new BadInput(name, 'is locked with a password');
  if (method !== STORED && method !== DEFLATED)
    throw new BadInput(name, 'is packed in a way that is not read here');
  if (head + LOCAL_BYTES > end || view.getUint32(head, true) !== LOCAL) throw damaged(name);
  const nameLength = view.getUint16(head + 26, true);
  const from = head + LOCAL_BYTES + nameLength + view.getUint16(head + 28, true);
  if (
    from + packed > end ||
    (method === STORED && packed !== size) ||
    view.getUint16(head + 8, true) !== method ||
    nameAt(file, head + LOCAL_BYTES, nameLength) !== name
  )
    throw damaged(name);
  return { name, method, crc, size, from, to: from + packed };
}

function nameAt(file: Uint8Array, from: number, length: number): string {
  const name = strFromU8(file.subarray(from, from + length));
  if (name === '' || /^[/\\]|\\|(^|\/)\.\.(\/|$)|[\0-\x1f]/.test(name))
    throw new BadInput('file', 'holds an entry whose name leads out of the file');
  return name;
}

/** Entries that share a name or a stretch of the file would let one be taken for the other, or a small file be a large one. */
function mustBeApart(entries: readonly Entry[]): void {
  const names = new Set<string>();
  for (const { name } of entries) {
    if (names.has(name)) throw new BadInput(name, 'stands in the file twice');
    names.add(name);
  }
  const inOrder = [...entries].sort((one, other) => one.from - other.from);
  for (let i = 1; i < inOrder.length; i++)
    if (inOrder[i].from < inOrder[i - 1].to)
      throw new BadInput(inOrder[i].name, 'shares its content with another entry');
}

function contentOf(file: Uint8Array, { name, method, crc, size, from, to }: Entry): Uint8Array {
  // A copy: what is kept of a file must not keep the whole of it.
  const content = method === STORED ? file.slice(from, to) : inflated(file.subarray(from, to), size, name);
  if (content.length !== size || crc32(content) !== crc) throw damaged(name);
  return content;
}

/** No more is unpacked than the directory promised. */
function inflated(packed: Uint8Array, size: number, name: string): Uint8Array {
  try {
    return inflateSync(packed, { out: new Uint8Array(size) });
  } catch {
    throw damaged(name);
  }
}

const damaged = (name?: string): BadInput =>
  name === undefined
    ? new BadInput('file', 'is damaged, or was never packed: it cannot be unpacked')
    : new BadInput(name, 'is damaged: it does not agree with its check sum');
