/**
 * Long work that can be watched and stopped: a generator that yields the share done, 0…1, every few
 * milliseconds and returns the answer.
 */
export type Work<Answer> = Generator<number, Answer>;

/** Does long work in one go. */
export function done<Answer>(work: Work<Answer>): Answer {
  let step = work.next();
  while (!step.done) step = work.next();
  return step.value;
}

/** Work as a part of a longer one: its shares lie between two of the whole. */
export function* asPart<Answer>(work: Work<Answer>, from: number, to: number): Work<Answer> {
  for (let step = work.next(); ; step = work.next()) {
    if (step.done) return step.value;
    yield from + (to - from) * step.value;
  }
}
