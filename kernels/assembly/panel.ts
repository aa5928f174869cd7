// Water and pigment on a panel, the compiled twin of core/src/simulation/water/panel-plain.ts and what it calls: the same scheme,
// sixteen lines of cells at a time, four to a vector. Every physical number comes in the parameter block, in the order of FLOW_NUMBERS;
// none stands here. One instance holds one panel; planes are f32, in strips of sixteen columns as core/src/simulation/water/panel.ts
// lays them: a strip's row is a line of cache, and both sweeps read memory in long runs.

// Places in the block.
const UPTAKE = 0, UPTAKE_OFFSET = 1, FALLING = 2, CREEP = 3, CREEP_REFERENCE = 4, HELD = 5, LEVELLING = 6;
const TENSION_GAIN = 7, TENSION_DEPTH = 8, FASTEST = 9, RELIEF_DEPTH = 10, PULL = 11, SLACK = 12, MESH_CREEP = 13;
const MESH_DEPTH = 14, MESH_CARRIES = 15, BEAD_DAMP = 16, BEAD_DRY = 17, LEAST_PASSAGE = 18, FADES = 19, WET_NONE = 20;
const WET_FULL = 21, SPREAD_DEEP = 22, SPREAD_DEEP_UM = 23, SPREAD_MEETING = 24, SPREAD_MEETING_UM = 25;
const SPREAD_MEETING_MM = 26, SPREAD_STIRRED = 27, RIM_GAIN = 28, RIM_WET = 29, VALLEY = 30, LEAST_SETTLING = 31;
const STAIN_HOLDS = 32, FLOW_TAKES = 33, FASTEST_TAKING = 34, BINDER_BEGINS = 35, BINDER_SETS = 36, BINDER_SOFTENS = 37;
const DRY_PAPER = 38, LAST_FILM = 39, LAST_DAMP = 40, MOVING = 41;
// Of each species, five numbers: settle, penetrate, float off, stain, granulation.
const PER_SPECIES = 5;

/** Cells beyond the last wet one that a sweep takes in. */
const MARGIN = 4;
/** Columns of a strip, and the bytes of a strip's row. */
const STRIP = 16, ROW_BYTES: usize = 64;

let columns: i32 = 0, rows: i32 = 0, stride: i32 = 0, height: i32 = 0, cells: i32 = 0;
// Species there is room for, and those of them that are on the panel: what is not there costs nothing.
let species: i32 = 0, acting: i32 = 0;
let cellMm: f32 = 0;
let film: usize = 0, paper: usize = 0, wettability: usize = 0, binder: usize = 0, speed: usize = 0, rim: usize = 0;
let open_: usize = 0, relief: usize = 0, capacity: usize = 0, hold: usize = 0, warmth: usize = 0;
let painted: usize = 0, spreading: usize = 0;
let suspended: usize = 0, deposited: usize = 0;
let block: usize = 0, kinds: usize = 0, slots: usize = 0, boxes: usize = 0, line: usize = 0, perBox: usize = 0;
// Of the lines at work, one v128 a cell.
let H: usize = 0, Z: usize = 0, W: usize = 0, O: usize = 0, G: usize = 0, K: usize = 0, P: usize = 0, M: usize = 0;
// The lines' own arrays stand four times, for sixteen lines in all, so that memory is read in long runs; H to C are
// those of the four lines at work.
let lanesOfAll: usize = 0, setBytes: usize = 0;
let PM: usize = 0, MM: usize = 0, CA: usize = 0, SP: usize = 0, U: usize = 0, X: usize = 0, V: usize = 0, S: usize = 0, C: usize = 0;

let evaporated: f64 = 0, fastest: f32 = 0, dampest: f32 = 0;
let filmed: i32 = 0;

@inline function f(i: i32): f32 { return load<f32>(block + (<usize>i << 2)); }
@inline function q(i: i32): v128 { return f32x4.splat(f(i)); }
@inline function add(a: v128, b: v128): v128 { return f32x4.add(a, b); }
@inline function sub(a: v128, b: v128): v128 { return f32x4.sub(a, b); }
@inline function mul(a: v128, b: v128): v128 { return f32x4.mul(a, b); }
@inline function div(a: v128, b: v128): v128 { return f32x4.div(a, b); }
@inline function most(a: v128, b: v128): v128 { return f32x4.pmax(a, b); }
@inline function least(a: v128, b: v128): v128 { return f32x4.pmin(a, b); }
@inline function pick(yes: v128, no: v128, mask: v128): v128 { return v128.bitselect(yes, no, mask); }
@inline function splat(x: f32): v128 { return f32x4.splat(x); }
@inline function get(base: usize, k: i32): v128 { return v128.load(base + (<usize>k << 4)); }
@inline function put(base: usize, k: i32, v: v128): void { v128.store(base + (<usize>k << 4), v); }
@inline function four(base: usize, cell: i32): v128 { return v128.load(base + (<usize>cell << 2)); }
@inline function putFour(base: usize, cell: i32, v: v128): void { v128.store(base + (<usize>cell << 2), v); }

/** A cell's place in a plane. */
@inline function at(row: i32, column: i32): i32 { return (((column >> 4) * height + row) << 4) + (column & 15); }

let end: usize = 0;
function take(bytes: usize): usize {
  const at = end;
  end += (bytes + 15) & ~15;
  return at;
}

/** Lays out a panel's planes in memory, all zero. */
export function open(c: i32, r: i32, s: i32, h: i32, kindsOf: i32, cell: f32): void {
  columns = c; rows = r; stride = s; height = h; cells = s * h; species = kindsOf; cellMm = cell;
  end = (__heap_base + 15) & ~15;
  const plane = <usize>cells << 2;
  film = take(plane); paper = take(plane); wettability = take(plane); binder = take(plane); speed = take(plane);
  rim = take(plane); open_ = take(plane); relief = take(plane); capacity = take(plane); hold = take(plane);
  warmth = take(plane);
  suspended = take(plane * species);
  deposited = take(plane * species);
  painted = take(plane);
  spreading = take(plane);
  block = take(64 * 4);
  kinds = take(PER_SPECIES * 8 * 4);
  slots = take(8 * 4);
  boxes = take(plane);
  const longest = max(stride, height) + 4;
  line = take(<usize>longest << 2);
  perBox = take(<usize>longest << 2);
  const lanes = <usize>longest << 4;
  P = take(lanes); M = take(lanes); PM = take(lanes); MM = take(lanes);
  CA = take(lanes); SP = take(lanes); U = take(lanes);
  S = take(lanes * species);
  setBytes = lanes;
  lanesOfAll = take(lanes * 4 * (8 + species));
  workOn(0);
  const pages = <i32>((end + 65535) >> 16);
  if (pages > memory.size()) memory.grow(pages - memory.size());
}

/** Turns to one of the four sets of lines. */
@inline function workOn(set: i32): void {
  H = lanesOfAll + <usize>set * setBytes;
  Z = H + 4 * setBytes; W = Z + 4 * setBytes; O = W + 4 * setBytes; G = O + 4 * setBytes;
  X = G + 4 * setBytes; V = X + 4 * setBytes; K = V + 4 * setBytes; C = K + 4 * setBytes;
}
/** Floating pigment of the lines at work: each species four sets further. */
@inline function floating(i: i32): usize { return C + <usize>(4 * i) * setBytes; }

/** Address of a plane: the eleven of PLANES in their order, then suspended, deposited, block, species, slots. */
export function place(i: i32): usize {
  if (i == 11) return suspended;
  if (i == 12) return deposited;
  if (i == 13) return block;
  if (i == 14) return kinds;
  if (i == 15) return slots;
  return film + <usize>i * ((<usize>cells << 2));
}
/** Which species are on the panel: the first `count` numbers of the table of slots. */
export function act(count: i32): void { acting = count; }
/** The place of an acting species among all. */
@inline function slot(i: i32): i32 { return load<i32>(slots + (<usize>i << 2)); }
export function evaporatedUm(): f64 { return evaporated; }
export function fastestMmS(): f32 { return fastest; }
export function dampestGm2(): f32 { return dampest; }
export function filmedCells(): i32 { return filmed; }

/** One step; numbers that are not in the block come as arguments. `creepS` 0 leaves the paper's creep out. */
export function step(dt: f32, evaporation: f32, tiltX: f32, tiltY: f32, downFirst: bool, rims: bool, creepS: f32): void {
  if (rims) {
    findRegion();
    findRims();
  } else growRegion(MARGIN);
  // Where no film was left and none has come, none moves.
  const still = !rims && filmed == 0;
  if (!still) findSpreading();
  memory.fill(speed, 0, <usize>cells << 2);
  fastest = 0;
  goneOf = splat(0);
  filmed = 0;
  dampestOf = splat(0);
  if (creepS > 0) { creepAcross(creepS); creepDown(creepS); }
  // What the second sweep has moved, it exchanges at once, while it is at hand.
  if (still) {
    for (let column = left; column < right; column += STRIP) exchange(at(top, column), (bottom - top) * STRIP, dt, evaporation);
  } else if (downFirst) {
    sweepDown(dt, tiltY, 0, false);
    sweepAcross(dt, tiltX, evaporation, true);
  } else {
    sweepAcross(dt, tiltX, 0, false);
    sweepDown(dt, tiltY, evaporation, true);
  }
  evaporated = f64x2.extract_lane(goneOf, 0) + f64x2.extract_lane(goneOf, 1);
  dampest = max(max(f32x4.extract_lane(dampestOf, 0), f32x4.extract_lane(dampestOf, 1)), max(f32x4.extract_lane(dampestOf, 2), f32x4.extract_lane(dampestOf, 3)));
}

// ---- the region in which anything is wet: rows [top, bottom) and columns [left, right), both to whole strips

let top: i32 = 0, bottom: i32 = 0, left: i32 = 0, right: i32 = 0;

/** Finds where there is film or damp paper; called after every touch, and oftener than a front could leave its margin. */
function findRegion(): void {
  top = height;
  bottom = 0;
  left = stride;
  right = 0;
  for (let column = 0; column < stride; column += STRIP) {
    let north = -1;
    let south = -1;
    for (let row = 0; row < rows; row++)
      if (v128.any_true(v128.or(anyIn(film, at(row, column)), anyIn(paper, at(row, column))))) {
        if (north < 0) north = row;
        south = row + 1;
      }
    if (north < 0) continue;
    top = min(top, north);
    bottom = max(bottom, south);
    left = min(left, column);
    right = column + STRIP;
  }
  if (bottom == 0) top = left = right = 0;
  else growRegion(2 * MARGIN);
}

/** Where a strip's row of a plane is above zero. */
@inline function anyIn(plane: usize, cell: i32): v128 {
  const zero = splat(0);
  return v128.or(
    v128.or(f32x4.gt(four(plane, cell), zero), f32x4.gt(four(plane, cell + 4), zero)),
    v128.or(f32x4.gt(four(plane, cell + 8), zero), f32x4.gt(four(plane, cell + 12), zero)),
  );
}

function growRegion(by: i32): void {
  if (bottom == 0) return;
  top = max(0, top - by) & ~(STRIP - 1);
  bottom = min(height, (bottom + by + STRIP - 1) & ~(STRIP - 1));
  left = max(0, left - by) & ~(STRIP - 1);
  right = min(stride, (right + by + STRIP - 1) & ~(STRIP - 1));
}

// ---- transposing four rows of four cells

let t0: v128 = i32x4.splat(0), t1: v128 = i32x4.splat(0), t2: v128 = i32x4.splat(0), t3: v128 = i32x4.splat(0);

@inline function turn(a: v128, b: v128, c: v128, d: v128): void {
  const ab0 = v128.shuffle<f32>(a, b, 0, 4, 1, 5);
  const ab1 = v128.shuffle<f32>(a, b, 2, 6, 3, 7);
  const cd0 = v128.shuffle<f32>(c, d, 0, 4, 1, 5);
  const cd1 = v128.shuffle<f32>(c, d, 2, 6, 3, 7);
  t0 = v128.shuffle<f32>(ab0, cd0, 0, 1, 4, 5);
  t1 = v128.shuffle<f32>(ab0, cd0, 2, 3, 6, 7);
  t2 = v128.shuffle<f32>(ab1, cd1, 0, 1, 4, 5);
  t3 = v128.shuffle<f32>(ab1, cd1, 2, 3, 6, 7);
}

/** Reads columns [from, to) of sixteen rows of a plane into four sets of lanes. */
function enterRows(plane: usize, lanes: usize, row: i32, from: i32, to: i32): void {
  for (let c = from; c < to; c += 4) {
    let cells = plane + (<usize>at(row, c) << 2);
    let lane = lanes + (<usize>(c - from) << 4);
    for (let set = 0; set < 4; set++) {
      turn(v128.load(cells), v128.load(cells, 64), v128.load(cells, 128), v128.load(cells, 192));
      v128.store(lane, t0); v128.store(lane, t1, 16); v128.store(lane, t2, 32); v128.store(lane, t3, 48);
      cells += 4 * ROW_BYTES;
      lane += setBytes;
    }
  }
}

function leaveRows(plane: usize, lanes: usize, row: i32, from: i32, to: i32): void {
  for (let c = from; c < to; c += 4) {
    let cells = plane + (<usize>at(row, c) << 2);
    let lane = lanes + (<usize>(c - from) << 4);
    for (let set = 0; set < 4; set++) {
      turn(v128.load(lane), v128.load(lane, 16), v128.load(lane, 32), v128.load(lane, 48));
      v128.store(cells, t0); v128.store(cells, t1, 64); v128.store(cells, t2, 128); v128.store(cells, t3, 192);
      cells += 4 * ROW_BYTES;
      lane += setBytes;
    }
  }
}

/** Reads rows [from, to) of a strip of a plane into four sets of lanes. */
function enterColumns(plane: usize, lanes: usize, column: i32, from: i32, to: i32): void {
  let cells = plane + (<usize>at(from, column) << 2);
  let lane = lanes;
  for (let r = from; r < to; r++) {
    v128.store(lane, v128.load(cells));
    v128.store(lane + setBytes, v128.load(cells, 16));
    v128.store(lane + 2 * setBytes, v128.load(cells, 32));
    v128.store(lane + 3 * setBytes, v128.load(cells, 48));
    cells += ROW_BYTES;
    lane += 16;
  }
}

function leaveColumns(plane: usize, lanes: usize, column: i32, from: i32, to: i32): void {
  let cells = plane + (<usize>at(from, column) << 2);
  let lane = lanes;
  for (let r = from; r < to; r++) {
    v128.store(cells, v128.load(lane));
    v128.store(cells, v128.load(lane + setBytes), 16);
    v128.store(cells, v128.load(lane + 2 * setBytes), 32);
    v128.store(cells, v128.load(lane + 3 * setBytes), 48);
    cells += ROW_BYTES;
    lane += 16;
  }
}

// ---- the parts of some lines on which something happens: what lies apart by more than both margins does not touch

/** First and last column, to whole strips, of the next part of sixteen rows, from `begin` on, where a plane is above zero; first < 0 if none. */
let first: i32 = 0, last: i32 = 0;

function actingColumns(plane: usize, row: i32, begin: i32): void {
  first = -1;
  for (let c = begin; c < right; c += STRIP) {
    const cell = at(row, c);
    let any = splat(0);
    for (let r = 0; r < STRIP; r++) any = v128.or(any, anyIn(plane, cell + r * STRIP));
    if (v128.any_true(any)) {
      if (first < 0) first = c;
      last = c + STRIP - 1;
    } else if (first >= 0) return;
  }
}

/** First and last row of the next part of a strip, from `begin` on, where a plane is above zero. */
function actingRows(plane: usize, column: i32, begin: i32): void {
  first = -1;
  for (let r = begin; r < bottom; r++)
    if (v128.any_true(anyIn(plane, at(r, column)))) {
      if (first < 0) first = r;
      last = r;
    } else if (first >= 0 && r > last + 2 * MARGIN) return;
}

function sweepAcross(dt: f32, tilt: f32, evaporation: f32, exchanges: bool): void {
  for (let row = top; row < bottom; row += STRIP) {
    for (actingColumns(film, row, left); first >= 0; actingColumns(film, row, last + 1 + STRIP)) {
      const from = max(0, first - MARGIN);
      const to = min(stride, last + MARGIN + 1);
      workOn(0);
      enterRows(film, H, row, from, to);
      enterRows(relief, Z, row, from, to);
      enterRows(wettability, W, row, from, to);
      enterRows(open_, O, row, from, to);
      enterRows(hold, G, row, from, to);
      enterRows(spreading, K, row, from, to);
      enterRows(speed, V, row, from, to);
      for (let i = 0; i < acting; i++) enterRows(suspended + (<usize>(slot(i) * cells) << 2), floating(i), row, from, to);
      advanceAll(to - from, dt, tilt);
      leaveRows(film, X, row, from, to);
      leaveRows(speed, V, row, from, to);
      for (let i = 0; i < acting; i++) leaveRows(suspended + (<usize>(slot(i) * cells) << 2), floating(i), row, from, to);
    }
    if (exchanges)
      for (let column = left; column < right; column += STRIP) exchange(at(row, column), STRIP * STRIP, dt, evaporation);
  }
}

function sweepDown(dt: f32, tilt: f32, evaporation: f32, exchanges: bool): void {
  for (let column = left; column < right; column += STRIP) {
    for (actingRows(film, column, top); first >= 0; actingRows(film, column, last + 1 + 2 * MARGIN)) {
      const from = max(0, first - MARGIN);
      const to = min(height, last + MARGIN + 1);
      workOn(0);
      enterColumns(film, H, column, from, to);
      enterColumns(relief, Z, column, from, to);
      enterColumns(wettability, W, column, from, to);
      enterColumns(open_, O, column, from, to);
      enterColumns(hold, G, column, from, to);
      enterColumns(spreading, K, column, from, to);
      enterColumns(speed, V, column, from, to);
      for (let i = 0; i < acting; i++) enterColumns(suspended + (<usize>(slot(i) * cells) << 2), floating(i), column, from, to);
      advanceAll(to - from, dt, tilt);
      leaveColumns(film, X, column, from, to);
      leaveColumns(speed, V, column, from, to);
      for (let i = 0; i < acting; i++) leaveColumns(suspended + (<usize>(slot(i) * cells) << 2), floating(i), column, from, to);
    }
    if (exchanges) exchange(at(top, column), (bottom - top) * STRIP, dt, evaporation);
  }
}

/** All sixteen lines of n cells; the film's new depths are left in X. Four lines on which there is none have nothing to do. */
function advanceAll(n: i32, dt: f32, tilt: f32): void {
  for (let set = 0; set < 4; set++) {
    workOn(set);
    let wet = splat(0);
    for (let k = 0; k < n; k++) wet = v128.or(wet, get(H, k));
    if (v128.any_true(wet)) {
      closeUnderMask(n);
      advance(n, dt, tilt);
    } else memory.fill(X, 0, <usize>n << 4);
  }
  workOn(0);
}

/** Nothing holds where nothing passes: the hold of closed cells is 0. */
@inline function closeUnderMask(n: i32): void {
  for (let k = 0; k < n; k++) put(G, k, mul(get(G, k), get(O, k)));
}

// ---- film and pigment along four lines of n cells
//
// Two tridiagonal systems, each eliminated going forward and solved going back, with everything a cell needs done as it
// is passed: four passes, since a pass waits for its slowest chain and the rest is done meanwhile.

function advance(n: i32, dt: f32, tilt: f32): void {
  eliminateFilm(n, dt, tilt);
  solveFilm(n, dt);
  eliminatePigment(n, dt);
  for (let i = 0; i < acting; i++) solvePigment(n, floating(i), S + <usize>i * setBytes);
}

/** The pigments' pull on the surface of a cell of the lines at work. */
@inline function pressureAt(k: i32, h: v128, slack2: v128): v128 {
  const h2 = mul(slack2, mul(h, h));
  const tiny = splat(1e-30);
  let pressure = splat(0);
  for (let i = 0; i < acting; i++) {
    const c = get(floating(i), k);
    const c2 = mul(c, c);
    pressure = add(pressure, div(c2, most(add(c2, h2), tiny)));
  }
  return pressure;
}

/** What every face lets through, and the film's elimination going forward. */
function eliminateFilm(n: i32, dt: f32, tilt: f32): void {
  const zero = splat(0);
  const one = splat(1);
  const half = splat(0.5);
  const perCell = splat(1 / cellMm);
  const cell = splat(cellMm);
  const tilts = splat(tilt);
  const r = splat(dt / cellMm);
  const slack2 = mul(q(SLACK), q(SLACK));
  const depth2 = mul(q(RELIEF_DEPTH), q(RELIEF_DEPTH));
  const held = q(HELD);
  const meshDepth = q(MESH_DEPTH);
  const perTension = div(one, q(TENSION_DEPTH));
  let h = get(H, 0);
  let z = get(Z, 0);
  let w = get(W, 0);
  let g = get(G, 0);
  let pressure = pressureAt(0, h, slack2);
  let bounded = div(meshDepth, most(h, meshDepth));
  let left = zero;
  let back = zero;
  let upper = zero;
  let solved = zero;
  for (let k = 0; k + 1 < n; k++) {
    const hn = get(H, k + 1);
    const zn = get(Z, k + 1);
    const wn = get(W, k + 1);
    const gn = get(G, k + 1);
    const pressureNext = pressureAt(k + 1, hn, slack2);
    const boundedNext = div(meshDepth, most(hn, meshDepth));
    const acts = v128.and(f32x4.gt(add(h, hn), zero), f32x4.gt(mul(g, gn), zero));
    const mean = mul(half, add(h, hn));
    const mean2 = mul(mean, mean);
    const follows = div(mean2, add(mean2, depth2));
    const fall = sub(z, zn);
    const drop = add(sub(h, hn), mul(follows, fall));
    const forward = f32x4.ge(add(drop, mul(tilts, cell)), zero);
    const e = most(zero, sub(pick(h, hn, forward), mul(held, pick(g, gn, forward))));
    // The contact line: all into a film, none before a bead breaks out onto bare paper.
    const below = pick(hn, h, forward);
    const wBelow = pick(wn, w, forward);
    const dryness = sub(one, wBelow);
    const gBelow = pick(gn, g, forward);
    const bead = mul(add(q(BEAD_DAMP), mul(mul(dryness, dryness), q(BEAD_DRY))), gBelow);
    const breaks = v128.and(f32x4.gt(pick(drop, f32x4.neg(drop), forward), bead), most(q(LEAST_PASSAGE), wBelow));
    const passes = v128.and(pick(one, breaks, f32x4.gt(below, mul(held, gBelow))), acts);
    const base = mul(q(LEVELLING), mul(e, mul(e, e)));
    const tension = mul(e, perTension);
    const d = least(q(FASTEST), mul(base, add(one, div(q(TENSION_GAIN), add(one, mul(tension, tension))))));
    const levels = mul(mul(d, perCell), passes);
    const pulled = mul(
      passes,
      add(
        mul(mul(mul(d, follows), fall), perCell),
        add(mul(base, tilts), mul(mul(q(PULL), mul(e, e)), mul(sub(pressure, pressureNext), perCell))),
      ),
    );
    const ahead = f32x4.gt(pulled, zero);
    const perDepth = div(pulled, most(pick(h, hn, ahead), one));
    const on = add(levels, v128.and(perDepth, ahead));
    const over = sub(levels, v128.andnot(perDepth, ahead));
    const wet = least(w, wn);
    const mesh = v128.and(mul(mul(q(MESH_CREEP), mul(wet, wet)), perCell), acts);
    const onMesh = mul(mesh, bounded);
    const overMesh = mul(mesh, boundedNext);
    put(P, k, on);
    put(M, k, over);
    put(PM, k, onMesh);
    put(MM, k, overMesh);
    // Row k: (1 + right + back) h(k) − left h(k−1) − rightBack h(k+1) = old.
    const right = mul(r, add(on, onMesh));
    const rightBack = mul(r, add(over, overMesh));
    const inverse = div(one, sub(add(add(one, right), back), mul(left, upper)));
    upper = mul(rightBack, inverse);
    solved = mul(add(h, mul(left, solved)), inverse);
    put(U, k, upper);
    put(X, k, solved);
    left = right;
    back = rightBack;
    h = hn;
    z = zn;
    w = wn;
    g = gn;
    pressure = pressureNext;
    bounded = boundedNext;
  }
  put(X, n - 1, div(add(h, mul(left, solved)), sub(add(one, back), mul(left, upper))));
}

/** The film's depths going back, as differences of flow; leaves the flow over every face in CA, through the mesh in SP. */
function solveFilm(n: i32, dt: f32): void {
  const zero = splat(0);
  const r = splat(dt / cellMm);
  const perR = splat(cellMm / dt);
  let next = get(X, n - 1);
  let after = zero;
  for (let k = n - 2; k >= 0; k--) {
    const here = add(get(X, k), mul(get(U, k), next));
    const bulk = sub(mul(get(P, k), here), mul(get(M, k), next));
    const mesh = sub(mul(get(PM, k), here), mul(get(MM, k), next));
    put(CA, k, bulk);
    put(SP, k, mesh);
    const through = add(bulk, mesh);
    // Rounding may leave a cell a little short; its neighbour then gives it so much more, and nothing is made.
    const kept = add(get(H, k + 1), mul(r, sub(through, after)));
    const short = least(zero, kept);
    put(X, k + 1, sub(kept, short));
    after = sub(through, mul(short, perR));
    next = here;
  }
  put(X, 0, sub(get(H, 0), mul(r, after)));
  settleShort(X, n);
}

/** What carries pigment over every face and how it spreads there; the pigments' elimination going forward, one matrix for all. */
function eliminatePigment(n: i32, dt: f32): void {
  const zero = splat(0);
  const one = splat(1);
  const half = splat(0.5);
  const tiny = splat(1e-12);
  const halfPerCell = splat(0.5 / cellMm);
  const r = splat(dt / cellMm);
  const moving = q(MOVING);
  const carriesMesh = q(MESH_CARRIES);
  let quick = zero;
  let h = get(X, 0);
  let spreads = get(K, 0);
  let slower = zero;
  let left = zero;
  let back = zero;
  let upper = zero;
  for (let k = 0; k < n; k++) {
    let right = zero;
    let rightBack = zero;
    let hn = zero;
    let u = zero;
    if (k + 1 < n) {
      hn = get(X, k + 1);
      const bulk = get(CA, k);
      const spreadsNext = get(K, k + 1);
      const depth = pick(h, hn, f32x4.ge(bulk, zero));
      u = v128.and(div(f32x4.abs(bulk), most(depth, moving)), f32x4.gt(depth, moving));
      quick = most(quick, u);
      const carried = add(bulk, mul(carriesMesh, get(SP, k)));
      const own = mul(mul(add(spreads, spreadsNext), halfPerCell), least(h, hn));
      const spread = most(zero, sub(own, mul(half, f32x4.abs(carried))));
      right = mul(r, add(most(zero, carried), spread));
      rightBack = mul(r, add(most(zero, f32x4.neg(carried)), spread));
      put(P, k, right);
      put(M, k, rightBack);
      spreads = spreadsNext;
    }
    const quicker = most(u, slower);
    const other = get(V, k);
    put(V, k, f32x4.sqrt(add(mul(other, other), mul(quicker, quicker))));
    // Row k in concentration: (h + right + back) C(k) − left C(k−1) − rightBack C(k+1) = what was there.
    const pivot = sub(add(add(h, right), back), mul(left, upper));
    const inverse = v128.and(div(one, most(pivot, tiny)), f32x4.gt(pivot, tiny));
    upper = mul(rightBack, inverse);
    put(U, k, upper);
    for (let i = 0; i < acting; i++) {
      const s = S + <usize>i * setBytes;
      put(s, k, mul(add(get(floating(i), k), k > 0 ? mul(left, get(s, k - 1)) : zero), inverse));
    }
    left = right;
    back = rightBack;
    h = hn;
    slower = u;
  }
  fastest = max(fastest, max(max(f32x4.extract_lane(quick, 0), f32x4.extract_lane(quick, 1)), max(f32x4.extract_lane(quick, 2), f32x4.extract_lane(quick, 3))));
}

/** One pigment going back, as differences of flow. */
function solvePigment(n: i32, c: usize, s: usize): void {
  const zero = splat(0);
  let next = get(s, n - 1);
  let after = zero;
  for (let k = n - 2; k >= 0; k--) {
    const here = add(get(s, k), mul(get(U, k), next));
    const through = sub(mul(get(P, k), here), mul(get(M, k), next));
    const kept = sub(add(get(c, k + 1), through), after);
    const short = least(zero, kept);
    put(c, k + 1, sub(kept, short));
    after = sub(through, short);
    next = here;
  }
  put(c, 0, sub(get(c, 0), after));
  settleShort(c, n);
}

/** What the first cell of a line is short of, the cells after it make up. */
function settleShort(lanes: usize, n: i32): void {
  const zero = splat(0);
  for (let k = 0; k + 1 < n; k++) {
    const short = least(zero, get(lanes, k));
    if (!v128.any_true(f32x4.lt(short, zero))) return;
    put(lanes, k, sub(get(lanes, k), short));
    put(lanes, k + 1, add(get(lanes, k + 1), short));
  }
}

// ---- how fast pigment spreads in each cell

function findSpreading(): void {
  findPainted();
  const zero = splat(0);
  const half = splat(0.5);
  const one = splat(1);
  const deep = q(SPREAD_DEEP);
  const deep2 = mul(q(SPREAD_DEEP_UM), q(SPREAD_DEEP_UM));
  const meeting = splat(f(SPREAD_MEETING_MM) / cellMm);
  const atMost = q(SPREAD_MEETING);
  const meetingUm = q(SPREAD_MEETING_UM);
  const stirred = q(SPREAD_STIRRED);
  for (let column = left; column < right; column += 4)
    for (let row = top; row < bottom; row++) {
      const cell = at(row, column);
      const h = four(film, cell);
      if (!v128.any_true(h)) {
        putFour(spreading, cell, zero);
        continue;
      }
      const p = four(painted, cell);
      const toLeft = column > 0 ? at(row, column - 4) : -1;
      const toRight = column + 4 < stride ? at(row, column + 4) : -1;
      let squares = squaredRise(p, v128.shuffle<f32>(ofCell(painted, toLeft), p, 3, 4, 5, 6), v128.shuffle<f32>(ofCell(film, toLeft), h, 3, 4, 5, 6));
      squares = add(squares, squaredRise(p, v128.shuffle<f32>(p, ofCell(painted, toRight), 1, 2, 3, 4), v128.shuffle<f32>(h, ofCell(film, toRight), 1, 2, 3, 4)));
      if (row > 0) squares = add(squares, squaredRise(p, four(painted, cell - STRIP), four(film, cell - STRIP)));
      if (row + 1 < height) squares = add(squares, squaredRise(p, four(painted, cell + STRIP), four(film, cell + STRIP)));
      const meets = least(one, mul(meeting, f32x4.sqrt(mul(half, squares))));
      const h2 = mul(h, h);
      const inDeep = add(h2, deep2);
      const inMeeting = add(h, meetingUm);
      const spreads = div(
        mul(h2, add(mul(deep, inMeeting), mul(mul(mul(atMost, meets), four(hold, cell)), inDeep))),
        mul(inDeep, inMeeting),
      );
      putFour(spreading, cell, v128.and(add(spreads, mul(stirred, four(speed, cell))), f32x4.gt(h, zero)));
    }
}

/** How far each cell's film is paint and not water. */
function findPainted(): void {
  const slack2 = mul(q(SLACK), q(SLACK));
  const tiny = splat(1e-30);
  for (let column = left; column < right; column += STRIP)
    for (let cell = at(top, column); cell < at(top, column) + (bottom - top) * STRIP; cell += 4) {
      const h = four(film, cell);
      if (!v128.any_true(h)) continue;
      let total = splat(0);
      for (let i = 0; i < acting; i++) total = add(total, four(suspended, slot(i) * cells + cell));
      const total2 = mul(total, total);
      putFour(painted, cell, div(total2, most(add(total2, mul(slack2, mul(h, h))), tiny)));
    }
}

/** Four cells of a plane; zero beyond the panel. */
@inline function ofCell(plane: usize, cell: i32): v128 { return cell < 0 ? splat(0) : four(plane, cell); }

/** Where no film is, nothing is met. */
@inline function squaredRise(painted: v128, next: v128, filmNext: v128): v128 {
  const rise = v128.and(sub(next, painted), f32x4.gt(filmNext, splat(0)));
  return mul(rise, rise);
}

// ---- creep in the paper

function creepAcross(dt: f32): void {
  for (let row = top; row < bottom; row += STRIP) {
    for (actingColumns(paper, row, left); first >= 0; actingColumns(paper, row, last + 1 + STRIP)) {
      const from = max(0, first - MARGIN);
      const to = min(stride, last + MARGIN + 1);
      workOn(0);
      enterRows(paper, H, row, from, to);
      for (let set = 0; set < 4; set++) {
        workOn(set);
        creep(min(to, columns) - from, dt);
        for (let k = min(to, columns) - from; k < to - from; k++) put(X, k, splat(0));
      }
      workOn(0);
      leaveRows(paper, X, row, from, to);
    }
  }
}

function creepDown(dt: f32): void {
  for (let column = left; column < right; column += STRIP) {
    for (actingRows(paper, column, top); first >= 0; actingRows(paper, column, last + 1 + 2 * MARGIN)) {
      const from = max(0, first - MARGIN);
      const to = min(rows, last + MARGIN + 1);
      workOn(0);
      enterColumns(paper, H, column, from, to);
      for (let set = 0; set < 4; set++) {
        workOn(set);
        creep(to - from, dt);
      }
      workOn(0);
      leaveColumns(paper, X, column, from, to);
    }
  }
}

function creep(n: i32, dt: f32): void {
  const zero = splat(0);
  const one = splat(1);
  const scale = splat((f(CREEP) * dt) / (cellMm * cellMm));
  const perReference = splat(0.5 / f(CREEP_REFERENCE));
  let s = get(H, 0);
  let before = zero;
  let upper = zero;
  let solved = zero;
  for (let k = 0; k < n; k++) {
    let sNext = zero;
    let face = zero;
    if (k + 1 < n) {
      sNext = get(H, k + 1);
      const mean = mul(add(s, sNext), perReference);
      face = mul(scale, mul(mean, mul(mean, mean)));
    }
    const inverse = div(one, sub(add(add(one, before), face), mul(before, upper)));
    upper = mul(face, inverse);
    solved = mul(add(s, mul(before, solved)), inverse);
    put(P, k, face);
    put(U, k, upper);
    put(X, k, solved);
    before = face;
    s = sNext;
  }
  let next = solved;
  let after = zero;
  for (let k = n - 2; k >= 0; k--) {
    const here = add(get(X, k), mul(get(U, k), next));
    const through = mul(get(P, k), sub(here, next));
    const kept = sub(add(get(H, k + 1), through), after);
    const short = least(zero, kept);
    put(X, k + 1, sub(kept, short));
    after = sub(through, short);
    next = here;
  }
  put(X, 0, sub(get(H, 0), after));
  settleShort(X, n);
}

// ---- rims

let whole: i32 = 0;
let part: f32 = 0;
/** Half the side of the box: whole cells, and the share of the next. */
export function reach(cellsWhole: i32, share: f32): void {
  whole = cellsWhole;
  part = share;
  for (let k = 0; k < columns; k++) store<f32>(perBox + (<usize>k << 2), 1 / boxSize(k, columns));
}

function findRims(): void {
  const wet = splat(f(RIM_WET));
  const zero = splat(0);
  const one = splat(1);
  const to = min(rows, bottom);
  for (let row = top; row < to; row++) {
    const start = row * stride;
    for (let c = left; c < right; c += 4) {
      const cell = at(row, c);
      putFour(line, c, v128.and(one, v128.or(f32x4.gt(four(film, cell), zero), f32x4.gt(four(paper, cell), wet))));
    }
    // Nothing is wet outside the region; the box is cut off where the panel ends.
    const end = min(right, columns);
    let sum: f32 = 0;
    for (let k = left; k < min(end, left + whole); k++) sum += wetAt(k);
    for (let k = left; k < end; k++) {
      const before = k - whole - 1;
      const after = k + whole + 1;
      if (after - 1 < end) sum += wetAt(after - 1);
      if (before >= left) sum -= wetAt(before);
      let total = sum;
      if (before >= left) total += part * wetAt(before);
      if (after < end) total += part * wetAt(after);
      store<f32>(boxes + (<usize>(start + k) << 2), total * load<f32>(perBox + (<usize>k << 2)));
    }
  }
  // Down: the sums of all columns slide together, row by row.
  const gain = q(RIM_GAIN);
  const parts = splat(part);
  memory.fill(line, 0, <usize>stride << 2);
  for (let k = top - whole; k < to; k++) {
    const before = k - whole - 1;
    const after = k + whole + 1;
    const perSize = k < top ? zero : splat(1 / boxSize(k, rows));
    for (let c = left; c < right; c += 4) {
      let sum = four(line, c);
      if (after - 1 < to) sum = add(sum, four(boxes, (after - 1) * stride + c));
      if (before >= top) sum = sub(sum, four(boxes, before * stride + c));
      putFour(line, c, sum);
      if (k < top) continue;
      let total = sum;
      if (before >= top) total = add(total, mul(parts, four(boxes, before * stride + c)));
      if (after < to) total = add(total, mul(parts, four(boxes, after * stride + c)));
      putFour(rim, at(k, c), add(one, mul(gain, sub(one, mul(total, perSize)))));
    }
  }
}

@inline function wetAt(k: i32): f32 { return load<f32>(line + (<usize>k << 2)); }

/** Cells in the box about place k of a line of n, cut off at its ends. */
function boxSize(k: i32, n: i32): f32 {
  const before = k - whole - 1;
  const after = k + whole + 1;
  return <f32>(min(n - 1, after - 1) - max(0, before + 1) + 1) + (before >= 0 ? part : 0) + (after < n ? part : 0);
}

// ---- cell by cell

let dampestOf: v128 = i32x4.splat(0), goneOf: v128 = i32x4.splat(0);

/** A run of cells. */
function exchange(from: i32, count: i32, dt: f32, evaporation: f32): void {
  const zero = splat(0);
  const one = splat(1);
  const dts = splat(dt);
  const lastFilm = q(LAST_FILM);
  const lastDamp = q(LAST_DAMP);
  const softens = div(one, splat(1 + dt / f(BINDER_SOFTENS)));
  const sets = splat(dt / (dt + f(BINDER_SETS)));
  const begins = q(BINDER_BEGINS);
  const perThick = splat(1 / (f(BINDER_BEGINS) - f(DRY_PAPER)));
  const relaxes = splat(dt / (dt + f(FADES)));
  const perRamp = splat(1 / (f(WET_FULL) - f(WET_NONE)));
  for (let cell = from; cell < from + count; cell += 4) {
    const h = four(film, cell);
    const s = four(paper, cell);
    const wet = f32x4.gt(h, zero);
    const b = four(binder, cell);
    const damp = f32x4.gt(s, zero);
    const acts = v128.or(wet, damp);
    if (!v128.any_true(acts)) continue;
    const leaves = mul(splat(evaporation * dt), mul(four(rim, cell), four(warmth, cell)));
    const room = four(capacity, cell);
    let gone = zero;
    let left = zero;
    let taken = zero;
    let sNew = s;
    const w = four(wettability, cell);
    // A trace that has crept in is gone at once and does not make paper ready to be flooded.
    let wNew = pick(one, w, f32x4.ge(h, lastFilm));
    if (v128.any_true(wet)) {
      const full = most(zero, sub(one, div(s, room)));
      const sinks = mul(div(mul(q(UPTAKE), full), add(s, q(UPTAKE_OFFSET))), dts);
      const wants = add(sinks, leaves);
      const enough = f32x4.ge(h, wants);
      const share = pick(one, div(h, most(wants, splat(1e-30))), enough);
      left = v128.and(sub(sub(h, sinks), leaves), enough);
      taken = mul(sinks, share);
      const ends = f32x4.lt(left, lastFilm);
      taken = v128.and(add(taken, v128.and(left, ends)), wet);
      left = v128.and(v128.andnot(left, ends), wet);
      gone = v128.and(mul(leaves, share), wet);
      sNew = add(s, taken);
    }
    const bare = v128.andnot(damp, wet);
    if (!v128.all_true<i32>(wet)) {
      const falling = mul(q(FALLING), room);
      const slow = div(s, add(one, div(leaves, falling)));
      const dried = pick(most(sub(s, leaves), slow), slow, f32x4.gt(s, falling));
      const kept = v128.and(dried, f32x4.ge(dried, lastDamp));
      const ramp = least(one, most(zero, mul(sub(kept, q(WET_NONE)), perRamp)));
      gone = add(gone, v128.and(sub(s, kept), bare));
      sNew = pick(kept, sNew, bare);
      wNew = pick(add(w, mul(sub(ramp, w), relaxes)), wNew, bare);
    }
    putFour(film, cell, left);
    putFour(paper, cell, sNew);
    putFour(wettability, cell, wNew);
    dampestOf = most(dampestOf, sNew);
    const stays = f32x4.gt(left, zero);
    filmed += popcnt(i32x4.bitmask(stays));
    let bNow = b;
    if (v128.any_true(wet)) bNow = settle(cell, wet, stays, mul(splat(0.5), add(h, left)), div(taken, dts), b, dt);
    const thick = least(one, mul(sub(begins, sNew), perThick));
    bNow = pick(mul(bNow, softens), add(bNow, mul(most(zero, sub(thick, bNow)), sets)), stays);
    putFour(binder, cell, pick(bNow, b, acts));
    goneOf = f64x2.add(goneOf, f64x2.add(f64x2.promote_low_f32x4(gone), f64x2.promote_low_f32x4(v128.shuffle<f32>(gone, gone, 2, 3, 0, 1))));
  }
}

/** Pigment settles, sinks in and floats off where there is film; returns the binder of the whole deposit. */
function settle(cell: i32, wet: v128, stays: v128, depth: v128, uptake: v128, b: v128, dt: f32): v128 {
  const zero = splat(0);
  const one = splat(1);
  const dts = splat(dt);
  const stirred = add(one, mul(q(FLOW_TAKES), least(four(speed, cell), q(FASTEST_TAKING))));
  const loose = mul(sub(one, b), stirred);
  const perDepth = div(one, most(depth, q(LAST_FILM)));
  const lift = div(four(relief, cell), q(VALLEY));
  let before = zero;
  let after = zero;
  for (let i = 0; i < acting; i++) {
    const kind = kinds + (<usize>(slot(i) * PER_SPECIES) << 2);
    const there = slot(i) * cells + cell;
    const c = four(suspended, there);
    const d = four(deposited, there);
    const valley = most(q(LEAST_SETTLING), sub(one, mul(splat(load<f32>(kind, 16)), lift)));
    const down = mul(add(mul(splat(load<f32>(kind)), valley), mul(splat(load<f32>(kind, 4)), uptake)), perDepth);
    const up = mul(mul(splat(load<f32>(kind, 8)), loose), splat(1 - f(STAIN_HOLDS) * load<f32>(kind, 12)));
    const all = add(c, d);
    let floats = div(add(c, mul(mul(up, dts), all)), add(one, mul(add(down, up), dts)));
    floats = v128.and(floats, stays);
    const lies = sub(all, floats);
    putFour(suspended, there, pick(floats, c, wet));
    putFour(deposited, there, pick(lies, d, wet));
    before = add(before, d);
    after = add(after, lies);
  }
  const grown = v128.and(f32x4.gt(after, before), wet);
  return pick(mul(b, div(before, most(after, splat(1e-30)))), b, grown);
}
