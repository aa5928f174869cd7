import type { PanelRun } from './panel-run';

/**
 * Sixty-four bits of everything on a panel, as text: two papers that differ anywhere in their last bit have, but for
 * odds of 10⁻¹⁹, different ones (two FNV-1a hashes by words; Fowler, Noll, Vo 1991). To see that a machine, a browser
 * or a replay gives the very same paper.
 */
export const fingerprintOf = ({ panel }: PanelRun): string =>
  markOf(
    [panel.film, panel.paper, panel.wettability, panel.binder, panel.suspended, panel.deposited].map(
      (plane) => new Int32Array(plane.buffer, plane.byteOffset, plane.length),
    ),
  );

/** The same of any words. */
export function markOf(parts: readonly Int32Array[]): string {
  let [one, other] = [0x811c9dc5, 0x050c5d1f];
  for (const words of parts)
    for (let i = 0; i < words.length; i++) {
      one = Math.imul(one ^ words[i], 0x01000193);
      other = Math.imul(other ^ (words[i] >>> 7) ^ (words[i] << 11), 0x01000193);
    }
  return [one, other].map((hash) => (hash >>> 0).toString(16).padStart(8, '0')).join('');
}

/** The same of a text. */
export const markOfText = (text: string): string =>
  markOf([Int32Array.from({ length: text.length }, (_, i) => text.charCodeAt(i))]);
