/** Figures of a measurement and the bounds they must keep, by name. */
export interface Measured {
  readonly figures: Readonly<Record<string, unknown>>;
  readonly below?: Readonly<Record<string, number>>;
  readonly above?: Readonly<Record<string, number>>;
}

/** What does not hold, each in one line; a figure that is missing or no number does not hold. */
export function broken({ figures, below = {}, above = {} }: Measured): string[] {
  const fails = (
    bounds: Readonly<Record<string, number>>,
    word: string,
    holds: (v: number, b: number) => boolean,
  ) =>
    Object.entries(bounds).flatMap(([name, bound]) => {
      const value = figures[name];
      return typeof value === 'number' && holds(value, bound)
        ? []
        : [`${name} ${String(value)} is not ${word} ${bound}`];
    });
  return [...fails(below, 'below', (v, b) => v < b), ...fails(above, 'above', (v, b) => v > b)];
}
