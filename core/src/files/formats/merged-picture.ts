import { strFromU8 } from 'fflate';
import { BadInput } from '../../kit/units';
import { LAYERED_LIMITS } from './limits';
import { readZip } from './zip';

const MEDIA_TYPE = 'image/openraster';
const TYPE = 'mimetype';
const MERGED = 'mergedimage.png';

/** The whole picture of an OpenRaster file, a PNG. Throws `BadInput` on `picture` for anything else. */
export function mergedPicture(bytes: Uint8Array): Uint8Array {
  let entries: Map<string, Uint8Array>;
  try {
    entries = readZip(bytes, LAYERED_LIMITS, (name) => name === TYPE || name === MERGED);
  } catch (cause) {
    if (!(cause instanceof BadInput)) throw cause;
    throw new BadInput('picture', cause.reason);
  }
  const [type, merged] = [entries.get(TYPE), entries.get(MERGED)];
  if (!type || strFromU8(type).trim() !== MEDIA_TYPE || !merged)
    throw new BadInput('picture', 'is not an OpenRaster file with a whole picture in it');
  return merged;
}
