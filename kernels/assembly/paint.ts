// Colour of the wet film over what has dried, the compiled twin of core/src/materials/pigment/painting-plain.ts: the same
// scheme, four bands at a time. Every physical number comes in the parameter block; none stands here.
// All pointers are byte addresses; arrays are f32 unless said otherwise. Layout of the block, n bands:
//   0 dry k1, k2, kSee · 3 wet k1, k2, kSee · 6 wet scatter · 7 screen edge · 8 steps of the byte table
//   12 sRGB→cones, 24 cones→sRGB: three columns of four · 36 roots→lightness (4)
//   40 to screen (3n) · then K (6n), S (6n), face (6n), flakes (6).

const EDGE = 7;
const STEPS = 8;
const TO_CONES = 12;
const FROM_CONES = 24;
const TO_LIGHTNESS = 36;
const TO_SCREEN = 40;

/** Added where Float32 would divide nothing by nothing; far below what a pigment does. */
const NOTHING: f32 = 1e-6;
/** Below this 1 − e^(−2q) loses its digits and its series is exact to 1e-8. */
const SMALL: f32 = 0.01;

@inline
function at(base: usize, i: i32): f32 {
  return load<f32>(base + ((<usize>i) << 2));
}

@inline
function four(base: usize, i: i32): v128 {
  return v128.load(base + ((<usize>i) << 2));
}

/** Adding this rounds a float to a whole number, which then stands in its low bits: 1.5 · 2²³. */
const ROUNDER: f32 = 12582912;

/** e^x of four x ≤ 0: 2^i · e^f, a polynomial for e^f on ±½ ln 2 (Taylor, to 2e-7), i added to the exponent. */
@inline
function exp4(x: v128): v128 {
  const y = f32x4.pmax(f32x4.mul(x, f32x4.splat(1.4426950408889634)), f32x4.splat(-126));
  const rounded = f32x4.add(y, f32x4.splat(ROUNDER));
  const f = f32x4.mul(f32x4.sub(y, f32x4.sub(rounded, f32x4.splat(ROUNDER))), f32x4.splat(0.6931471805599453));
  let p = f32x4.splat(1.0 / 720);
  p = f32x4.add(f32x4.mul(p, f), f32x4.splat(1.0 / 120));
  p = f32x4.add(f32x4.mul(p, f), f32x4.splat(1.0 / 24));
  p = f32x4.add(f32x4.mul(p, f), f32x4.splat(1.0 / 6));
  p = f32x4.add(f32x4.mul(p, f), f32x4.splat(0.5));
  p = f32x4.add(f32x4.mul(p, f), f32x4.splat(1));
  p = f32x4.add(f32x4.mul(p, f), f32x4.splat(1));
  return i32x4.add(p, i32x4.shl(rounded, 23));
}

/** A layer of absorption kx and scatter sx over a ground (Kubelka 1948, 1954). */
@inline
function over(kx: v128, sx: v128, ground: v128): v128 {
  const one = f32x4.splat(1);
  sx = f32x4.add(sx, f32x4.splat(NOTHING));
  const both = f32x4.add(kx, sx);
  const q = f32x4.add(f32x4.sqrt(f32x4.mul(kx, f32x4.add(both, sx))), f32x4.splat(NOTHING));
  const once = exp4(f32x4.neg(q));
  const twice = f32x4.mul(once, once);
  // 1 − e^(−2q) = 2q(1 − q + 2q²/3 − q³/3 …)
  const series = f32x4.mul(
    f32x4.add(q, q),
    f32x4.sub(one, f32x4.mul(q, f32x4.sub(one, f32x4.mul(q, f32x4.sub(f32x4.splat(2.0 / 3), f32x4.mul(q, f32x4.splat(1.0 / 3))))))),
  );
  const lost = v128.bitselect(series, f32x4.sub(one, twice), f32x4.lt(q, f32x4.splat(SMALL)));
  const d = f32x4.add(f32x4.mul(both, lost), f32x4.mul(q, f32x4.add(one, twice)));
  // R = a/d and T = b/d; R + T²G/(1 − RG) on one stroke of the fraction, for divisions are dear.
  const a = f32x4.mul(sx, lost);
  const b = f32x4.mul(f32x4.add(q, q), once);
  const rest = f32x4.sub(d, f32x4.mul(a, ground));
  return f32x4.div(
    f32x4.add(f32x4.mul(a, rest), f32x4.mul(f32x4.mul(b, b), ground)),
    f32x4.mul(d, rest),
  );
}

@inline
function sum4(v: v128): f32 {
  return f32x4.extract_lane(v, 0) + f32x4.extract_lane(v, 1) + f32x4.extract_lane(v, 2) + f32x4.extract_lane(v, 3);
}

/** Four bands of a film over a ground, flakes and all; `loads` is the address of the pixel's first load. */
@inline
function lay(
  loads: usize, stride: i32, pigments: i32, optics: usize, n: i32, band: i32,
  scatter: f32, thickness: f32, covered: f32, ground: v128,
): v128 {
  const s = optics + ((<usize>(6 * n)) << 2);
  let kx = f32x4.splat(0);
  let sx = f32x4.splat(0);
  for (let i = 0; i < pigments; i++) {
    const load = at(loads, i * stride);
    if (load == 0) continue;
    const m = f32x4.splat(load);
    kx = f32x4.add(kx, f32x4.mul(four(optics, i * n + band), m));
    sx = f32x4.add(sx, f32x4.mul(four(s, i * n + band), m));
  }
  sx = f32x4.mul(sx, f32x4.splat(scatter));
  const bare = over(kx, sx, ground);
  if (thickness == 0) return bare;
  const face = s + ((<usize>(6 * n)) << 2);
  const flakes = face + ((<usize>(6 * n)) << 2);
  let shine = f32x4.splat(0);
  for (let i = 0; i < pigments; i++)
    shine = f32x4.add(shine, f32x4.mul(four(face, i * n + band), f32x4.splat(at(flakes, i) * at(loads, i * stride))));
  const half = f32x4.splat(0.5);
  const onFlakes = over(f32x4.mul(kx, half), f32x4.mul(sx, half), f32x4.div(shine, f32x4.splat(thickness)));
  return f32x4.add(f32x4.mul(bare, f32x4.splat(1 - covered)), f32x4.mul(onFlakes, f32x4.splat(covered)));
}

@inline
function flakeThickness(loads: usize, stride: i32, pigments: i32, optics: usize, n: i32): f32 {
  const flakes = optics + ((<usize>(18 * n)) << 2);
  let thickness: f32 = 0;
  for (let i = 0; i < pigments; i++) thickness += at(flakes, i) * at(loads, i * stride);
  return thickness;
}

@inline
function coverage(thickness: f32): f32 {
  return thickness == 0 ? 0 : 1 - f32x4.extract_lane(exp4(f32x4.splat(-thickness)), 0);
}

/** The first address that holds none of the module's own data. */
export function base(): usize {
  return __heap_base;
}

/** Writes `rgba` (u8) of `pixels`; `table` (u8) gives bytes by the root of light; `halvings` of chroma. */
export function colour(
  pixels: i32, pigments: i32, n: i32, loads: usize, wetness: usize, dry: usize, wet: usize,
  rgba: usize, block: usize, table: usize, halvings: i32,
): void {
  const optics = block + ((<usize>(TO_SCREEN + 3 * n)) << 2);
  for (let pixel = 0; pixel < pixels; pixel++) {
    const w = at(wetness, pixel);
    const k1 = at(block, 0) + (at(block, 3) - at(block, 0)) * w;
    const k2 = at(block, 1) + (at(block, 4) - at(block, 1)) * w;
    const kSee = at(block, 2) + (at(block, 5) - at(block, 2)) * w;
    const scatter = (at(block, 6) - 1) * w + 1;
    const film = loads + ((<usize>pixel) << 2);
    const thickness = flakeThickness(film, pixels, pigments, optics, n);
    const covered = coverage(thickness);
    let r = f32x4.splat(0);
    let g = f32x4.splat(0);
    let b = f32x4.splat(0);
    for (let band = 0; band < n; band += 4) {
      const under = four(dry, pixel * n + band);
      const wetUnder = four(wet, pixel * n + band);
      const ground = f32x4.add(under, f32x4.mul(f32x4.sub(wetUnder, under), f32x4.splat(w)));
      const internal = lay(film, pixels, pigments, optics, n, band, scatter, thickness, covered, ground);
      const seen = f32x4.add(
        f32x4.splat(kSee * k1),
        f32x4.div(
          f32x4.mul(internal, f32x4.splat((1 - k1) * (1 - k2))),
          f32x4.sub(f32x4.splat(1), f32x4.mul(internal, f32x4.splat(k2))),
        ),
      );
      r = f32x4.add(r, f32x4.mul(seen, four(block, TO_SCREEN + band)));
      g = f32x4.add(g, f32x4.mul(seen, four(block, TO_SCREEN + n + band)));
      b = f32x4.add(b, f32x4.mul(seen, four(block, TO_SCREEN + 2 * n + band)));
    }
    putPixel(sum4(r), sum4(g), sum4(b), rgba + ((<usize>pixel) << 2), block, table, halvings);
  }
}

/** Lays the film into `ground`, dry. */
export function fold(pixels: i32, pigments: i32, n: i32, loads: usize, ground: usize, block: usize): void {
  const optics = block + ((<usize>(TO_SCREEN + 3 * n)) << 2);
  for (let pixel = 0; pixel < pixels; pixel++) {
    const film = loads + ((<usize>pixel) << 2);
    const thickness = flakeThickness(film, pixels, pigments, optics, n);
    const covered = coverage(thickness);
    for (let band = 0; band < n; band += 4) {
      const address = ground + ((<usize>(pixel * n + band)) << 2);
      v128.store(address, lay(film, pixels, pigments, optics, n, band, 1, thickness, covered, v128.load(address)));
    }
  }
}

@inline
function splat0(v: v128): v128 {
  return v128.shuffle<f32>(v, v, 0, 0, 0, 0);
}

@inline
function splat1(v: v128): v128 {
  return v128.shuffle<f32>(v, v, 1, 1, 1, 1);
}

@inline
function splat2(v: v128): v128 {
  return v128.shuffle<f32>(v, v, 2, 2, 2, 2);
}

/** Three numbers through a matrix that stands in the block column by column, four floats each. */
@inline
function through(block: usize, matrix: i32, v: v128): v128 {
  return f32x4.add(
    f32x4.mul(four(block, matrix), splat0(v)),
    f32x4.add(f32x4.mul(four(block, matrix + 4), splat1(v)), f32x4.mul(four(block, matrix + 8), splat2(v))),
  );
}

@inline
function fits(rgb: v128, edge: f32): bool {
  return i32x4.all_true(
    v128.and(f32x4.ge(rgb, f32x4.splat(-edge)), f32x4.le(rgb, f32x4.splat(1 + edge))),
  );
}

@inline
function byteOf(light: f32, steps: f32, table: usize): u8 {
  return load<u8>(table + <usize>(<i32>(light * (steps - 1) + 0.5)));
}

@inline
function putPixel(r: f32, g: f32, b: f32, rgba: usize, block: usize, table: usize, halvings: i32): void {
  let rgb = f32x4(r, g, b, 0);
  const edge = at(block, EDGE);
  if (!fits(rgb, edge)) rgb = reduceChroma(rgb, block, edge, halvings);
  const root = f32x4.sqrt(f32x4.pmin(f32x4.pmax(rgb, f32x4.splat(0)), f32x4.splat(1)));
  const steps = at(block, STEPS);
  store<u8>(rgba, byteOf(f32x4.extract_lane(root, 0), steps, table), 0);
  store<u8>(rgba, byteOf(f32x4.extract_lane(root, 1), steps, table), 1);
  store<u8>(rgba, byteOf(f32x4.extract_lane(root, 2), steps, table), 2);
  store<u8>(rgba, 255, 3);
}

function reduceChroma(rgb: v128, block: usize, edge: f32, halvings: i32): v128 {
  const cones = through(block, TO_CONES, rgb);
  const roots = f32x4(
    Mathf.cbrt(f32x4.extract_lane(cones, 0)),
    Mathf.cbrt(f32x4.extract_lane(cones, 1)),
    Mathf.cbrt(f32x4.extract_lane(cones, 2)),
    0,
  );
  const lightness = f32x4.splat(sum4(f32x4.mul(four(block, TO_LIGHTNESS), roots)));
  const colour = f32x4.sub(roots, lightness);
  let kept: f32 = 0;
  let step: f32 = 0.5;
  for (let halving = 0; halving < halvings; halving++) {
    if (fits(fromGrey(block, lightness, colour, kept + step), edge)) kept += step;
    step *= 0.5;
  }
  return fromGrey(block, lightness, colour, kept);
}

/** The colour with `share` of its chroma; there the cones' roots run straight from grey. */
@inline
function fromGrey(block: usize, lightness: v128, colour: v128, share: f32): v128 {
  const roots = f32x4.add(lightness, f32x4.mul(colour, f32x4.splat(share)));
  return through(block, FROM_CONES, f32x4.mul(roots, f32x4.mul(roots, roots)));
}
