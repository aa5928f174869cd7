/** Remainders of each byte under the CRC-32 polynomial (ISO 3309, reflected). */
const REMAINDERS = Uint32Array.from({ length: 256 }, (_, byte) => {
  let rest = byte;
  for (let bit = 0; bit < 8; bit++) rest = rest & 1 ? 0xedb88320 ^ (rest >>> 1) : rest >>> 1;
  return rest >>> 0;
});

/** The check sum of PNG and zip files (ISO 3309). */
export function crc32(bytes: Uint8Array): number {
  let rest = 0xffffffff;
  for (const byte of bytes) rest = REMAINDERS[(rest ^ byte) & 255] ^ (rest >>> 8);
  return ~rest >>> 0;
}
