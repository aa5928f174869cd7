// Film and paper water along a line, the compiled twin of core/src/simulation/water/line-solver.ts: the same scheme,
// statement by statement. Every physical number comes in the parameter block; none stands here.
// All pointers are byte addresses of f64 arrays of length n; the block holds the nine numbers of
// LineParameters in their order.

@inline
function at(base: usize, i: i32): f64 {
  return load<f64>(base + ((<usize>i) << 3));
}

@inline
function put(base: usize, i: i32, value: f64): void {
  store<f64>(base + ((<usize>i) << 3), value);
}

/** Advances `film` and `paper` by `steps` equal steps, in place; `lower` and `upper` are scratch. */
export function advance(film: usize, paper: usize, lower: usize, upper: usize, n: i32, block: usize, steps: i32): void {
  for (let step = 0; step < steps; step++) {
    exchange(film, paper, n, block);
    creep(paper, lower, upper, n, block);
  }
}

function exchange(film: usize, paper: usize, n: i32, block: usize): void {
  const dt = at(block, 0);
  const capacity = at(block, 4);
  const uptake = at(block, 5);
  const offset = at(block, 6);
  const evaporation = at(block, 7);
  const falling = at(block, 8);
  for (let i = 0; i < n; i++) {
    const s = at(paper, i);
    const h = at(film, i);
    if (h > 0) {
      const sinks = ((uptake * max(0, 1 - s / capacity)) / (s + offset)) * dt;
      const leaves = evaporation * dt;
      const share = min(1, h / (sinks + leaves));
      put(film, i, share < 1 ? 0 : h - (sinks + leaves) * share);
      put(paper, i, s + sinks * share);
    } else {
      put(paper, i, s - min(s, evaporation * min(1, s / falling) * dt));
    }
  }
}

function creep(paper: usize, lower: usize, upper: usize, n: i32, block: usize): void {
  const cell = at(block, 1);
  const scale = (at(block, 2) * at(block, 0)) / (cell * cell);
  const reference = at(block, 3);
  for (let i = 0; i + 1 < n; i++) {
    const mean = (at(paper, i) + at(paper, i + 1)) / (2 * reference);
    put(lower, i, scale * mean * mean * mean);
  }
  put(lower, n - 1, 0);
  let before: f64 = 0;
  for (let i = 0; i < n; i++) {
    const face = at(lower, i);
    const pivot = 1 + before + face - (i > 0 ? before * at(upper, i - 1) : 0);
    put(upper, i, face / pivot);
    put(paper, i, (at(paper, i) + (i > 0 ? before * at(paper, i - 1) : 0)) / pivot);
    before = face;
  }
  for (let i = n - 2; i >= 0; i--) put(paper, i, at(paper, i) + at(upper, i) * at(paper, i + 1));
}
