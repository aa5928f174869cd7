/** Corners of a blob between which its edge is rounded. */
const CORNERS = 11;

/** How far its edge strays, as a share of its radius. */
const STRAYS = 0.09;

/** A dab of paint about the origin as an SVG path: round, but laid by a hand; the same name always gives the same dab. */
export function blobPath(radius: number, name: string): string {
  let seed = Array.from(name).reduce((sum, letter) => (sum * 31 + letter.charCodeAt(0)) % 9973, 7);
  const next = (): number => {
    seed = (seed * 137 + 71) % 9973;
    return seed / 9973;
  };
  const points = Array.from({ length: CORNERS }, (_, i): readonly [number, number] => {
    const turn = (2 * Math.PI * i) / CORNERS;
    const r = radius * (1 + STRAYS * (2 * next() - 1));
    return [1.12 * r * Math.cos(turn), 0.94 * r * Math.sin(turn)];
  });
  const middle = (i: number): string => {
    const [[ax, ay], [bx, by]] = [points[i % CORNERS], points[(i + 1) % CORNERS]];
    return `${((ax + bx) / 2).toFixed(2)} ${((ay + by) / 2).toFixed(2)}`;
  };
  const curves = points.map((_, i) => {
    const [x, y] = points[(i + 1) % CORNERS];
    return `Q${x.toFixed(2)} ${y.toFixed(2)} ${middle(i + 1)}`;
  });
  return `M${middle(0)}${curves.join('')}Z`;
}
