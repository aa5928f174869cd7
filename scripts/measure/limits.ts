/** Figures of a measurement and the bounds they must keep, by name. */
export interface Measured {
  readonly figures: Readonly<Record<string, unknown>>;
  readonly below?: Readonly<Record<string, number>>;
  readonly above?: Readonly<Record<string, number>>;
}

/** One bound of the long evidence, and the figure that was seen. */
export interface Evidence {
  readonly measure: string;
  readonly what: string;
  /** `null` where the figure is missing or no number; then the bound does not hold. */
  readonly figure: number | null;
  readonly bound: string;
  readonly holds: boolean;
}

/** Every bound of a measurement beside its figure. */
export function evidenceOf(measure: string, { figures, below = {}, above = {} }: Measured): Evidence[] {
  const rows = (
    bounds: Readonly<Record<string, number>>,
    word: string,
    keeps: (value: number, bound: number) => boolean,
  ): Evidence[] =>
    Object.entries(bounds).map(([what, bound]) => {
      const value = figures[what];
      const figure = typeof value === 'number' && Number.isFinite(value) ? value : null;
      return {
        ...{ measure, what, figure, bound: `${word} ${bound}` },
        holds: figure !== null && keeps(figure, bound),
      };
    });
  return [...rows(below, 'below', (v, b) => v < b), ...rows(above, 'above', (v, b) => v > b)];
}

/** A row in one line. */
export const inWords = ({ measure, what, figure, bound }: Evidence): string =>
  `${measure}: ${what} ${figure ?? 'missing'} is not ${bound}`;
