import type { Command } from './command';
import type { Plan } from './plan';

/** Puts an act straight behind another. */
export function rightAfter({ acts }: Plan, act: string, after: string): Command {
  const [from, to] = [act, after].map((id) => acts.findIndex((a) => a.id === id));
  return { do: 'move-act', act, to: from < to ? to : to + 1 };
}

/** Puts an act straight before another. */
export function rightBefore({ acts }: Plan, act: string, before: string): Command {
  const [from, to] = [act, before].map((id) => acts.findIndex((a) => a.id === id));
  return { do: 'move-act', act, to: from < to ? to - 1 : to };
}
