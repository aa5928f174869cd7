import type { Command, Plan, Start } from '../plan';

/** Makes a pass wait until all it touches is dry. */
export const waitUntilDry = (pass: string): Command => beginAt(pass, 'when-dry');

export const beginAt = (pass: string, start: Start): Command => ({
  do: 'change-pass',
  pass,
  change: { start },
});

/** Puts an act straight behind another. */
export function rightAfter({ acts }: Plan, act: string, after: string): Command {
  const [from, to] = [act, after].map((id) => acts.findIndex((a) => a.id === id));
  return { do: 'move-act', act, to: from < to ? to : to + 1 };
}
