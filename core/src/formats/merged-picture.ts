import { strFromU8, unzipSync } from 'fflate';
import { BadInput } from '../units';

const MEDIA_TYPE = 'image/openraster';
const MERGED = 'mergedimage.png';

/** The largest picture taken out of a file, bytes. */
const LARGEST = 64 * 1024 * 1024;

/** The whole picture of an OpenRaster file, a PNG. Throws `BadInput` for anything else. */
export function mergedPicture(bytes: Uint8Array): Uint8Array {
  let entries: Record<string, Uint8Array>;
  try {
    entries = unzipSync(bytes, {
      filter: ({ name, originalSize }) => (name === 'mimetype' || name === MERGED) && originalSize <= LARGEST,
    });
  } catch {
    throw new BadInput('picture', 'is damaged: it cannot be unpacked');
  }
  const [type, merged] = [entries['mimetype'], entries[MERGED]] as (Uint8Array | undefined)[];
  if (!type || strFromU8(type).trim() !== MEDIA_TYPE || !merged)
    throw new BadInput('picture', 'is not an OpenRaster file with a whole picture in it');
  return merged;
}
