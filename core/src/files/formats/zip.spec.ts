import { strToU8, zipSync } from 'fflate';
import { describe, expect, it } from 'vitest';
import { BadInput } from '../../kit/units';
import { crc32 } from './crc32';
import { readZip } from './zip';

const LIMITS = { fileBytes: 1e6, entryBytes: 1e5, allBytes: 1.5e5, entries: 8 };
const text = strToU8('a wash of blue over a dry wash of yellow '.repeat(40));

const refusal = (file: Uint8Array): string => {
  try {
    readZip(file, LIMITS);
  } catch (cause) {
    if (cause instanceof BadInput) return cause.message;
    throw cause;
  }
  return 'opened';
};

/** An entry laid out by hand; the head of another where it has none of its own. */
interface Laid {
  readonly name: string;
  readonly head?: number;
}

/** A zip whose directory says what it is told to (APPNOTE.TXT 4.3): stored entries, any of which may share a head. */
function zipOf(lines: readonly Laid[], content: Uint8Array): Uint8Array {
  const u16 = (n: number): number[] => [n & 255, (n >> 8) & 255];
  const u32 = (n: number): number[] => [...u16(n & 0xffff), ...u16(n >>> 16)];
  const sums = [...u32(crc32(content)), ...u32(content.length), ...u32(content.length)];
  const bytes: number[] = [];
  const heads = lines.map(({ name, head }) => {
    if (head !== undefined) return head;
    const at = bytes.length;
    bytes.push(...u32(0x04034b50), ...u16(20), ...u16(0), ...u16(0), ...u32(0), ...sums);
    bytes.push(...u16(name.length), ...u16(0), ...strToU8(name), ...content);
    return at;
  });
  const directory = bytes.length;
  lines.forEach(({ name }, i) => {
    bytes.push(...u32(0x02014b50), ...u16(20), ...u16(20), ...u16(0), ...u16(0), ...u32(0), ...sums);
    bytes.push(...u16(name.length), ...u16(0), ...u16(0), ...u16(0), ...u16(0), ...u32(0), ...u32(heads[i]));
    bytes.push(...strToU8(name));
  });
  bytes.push(...u32(0x06054b50), ...u16(0), ...u16(0), ...u16(lines.length), ...u16(lines.length));
  bytes.push(...u32(bytes.length - 12 - directory), ...u32(directory), ...u16(0));
  return Uint8Array.from(bytes);
}

describe('a packed file', () => {
  it('opens where all agrees, packed or stored, and only what is wanted is unpacked', () => {
    const packed = zipSync({ 'a.txt': text, 'b/c.txt': [text, { level: 0 }] });
    expect(readZip(packed, LIMITS)).toEqual(
      new Map([
        ['a.txt', text],
        ['b/c.txt', text],
      ]),
    );
    expect([...readZip(packed, LIMITS, (name) => name === 'a.txt').keys()]).toEqual(['a.txt']);
    expect(refusal(zipOf([{ name: 'a' }, { name: 'b' }], text))).toBe('opened');
  });

  it('with any one bit turned over opens as it was or is refused', () => {
    for (const level of [0, 6] as const) {
      const file = zipSync({ 'a.txt': [text, { level }] }, { mtime: '2000-01-01' });
      for (let bit = 0; bit < file.length * 8; bit += 3) {
        const hurt = file.slice();
        hurt[bit >> 3] ^= 1 << (bit & 7);
        let opened: Map<string, Uint8Array>;
        try {
          opened = readZip(hurt, LIMITS);
        } catch (cause) {
          if (!(cause instanceof BadInput)) throw cause;
          continue;
        }
        expect(opened).toEqual(new Map([['a.txt', text]]));
      }
    }
  });

  it.each<[string, Uint8Array, RegExp]>([
    ['entries that share one content', zipOf([{ name: 'a' }, { name: 'a', head: 0 }], text), /twice/],
    [
      'a name that differs from its head',
      zipOf([{ name: 'a' }, { name: 'b', head: 0 }], text),
      /^b: is damaged/,
    ],
    ['a name that climbs', zipOf([{ name: '../a' }], text), /leads out/],
    ['a name from the root', zipOf([{ name: '/a' }], text), /leads out/],
    ['a name with backslashes', zipOf([{ name: 'a\\..\\b' }], text), /leads out/],
    ['one entry too large', zipSync({ a: new Uint8Array(2e5) }), /^a: is larger than/],
    [
      'all together too large',
      zipSync({ a: new Uint8Array(9e4), b: new Uint8Array(9e4) }),
      /file: holds more than/,
    ],
    [
      'too many',
      zipOf(
        Array.from('abcdefghi', (name) => ({ name })),
        text,
      ),
      /holds 9 entries; 8 go/,
    ],
    ['a file too large', new Uint8Array(1.1e6), /file: is larger than/],
    ['nothing', new Uint8Array(0), /cannot be unpacked/],
  ])('is refused in words: %s', (_, file, says) => {
    expect(refusal(file)).toMatch(says);
  });

  it('cannot promise little and hold much', () => {
    const file = zipSync({ a: new Uint8Array(9e4) });
    const view = new DataView(file.buffer);
    const directory = view.getUint32(file.length - 6, true);
    view.setUint32(directory + 24, 10, true);
    expect(refusal(file)).toMatch(/^a: is damaged/);
  });
});
