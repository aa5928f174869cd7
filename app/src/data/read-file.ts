import { inMB } from '@kettle/core/files/formats';
import { BadInput } from '@kettle/core/kit/units';

/** The bytes of a file the painter chose. Throws `BadInput` on `file` for one that is larger, before any of it is read. */
export async function bytesOf(file: Blob, mostBytes: number): Promise<Uint8Array> {
  mustNotBeLarger(file, mostBytes);
  return new Uint8Array(await file.arrayBuffer());
}

/** The text of such a file. */
export async function textOf(file: Blob, mostBytes = MOST_TEXT_BYTES): Promise<string> {
  mustNotBeLarger(file, mostBytes);
  return file.text();
}

/** The largest picture that is taken in, bytes: a phone’s photo is a tenth of it. */
export const LARGEST_PICTURE = 30 * 1024 * 1024;

/** Calendars, tables, palettes and drawings are far smaller, bytes. */
const MOST_TEXT_BYTES = 12 * 1024 * 1024;

function mustNotBeLarger({ size }: Blob, mostBytes: number): void {
  if (size > mostBytes) throw new BadInput('file', `is larger than ${inMB(mostBytes)}`);
}
