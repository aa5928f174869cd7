/** A length of a thing: what it is called, how long it is, and the thing with another length. */
export interface LengthOf<T> {
  readonly label: string;
  readonly mm: number;
  /** It may go back as well: a leading minus is read. */
  readonly signed: boolean;
  readonly set: (mm: number) => T;
}

/** A size, which is never less than nothing. */
export const sizeField = <T>(label: string, mm: number, set: (mm: number) => T): LengthOf<T> => ({
  ...{ label, mm, signed: false, set },
});

/** A place across and down. */
export const placeFields = <T>(
  label: string,
  [x, y]: readonly [number, number],
  set: (place: [number, number]) => T,
): LengthOf<T>[] => [
  { label: `${label}, across`, mm: x, signed: true, set: (mm) => set([mm, y]) },
  { label: 'and down', mm: y, signed: true, set: (mm) => set([x, mm]) },
];

/** A single place along one way. */
export const alongField = <T>(label: string, mm: number, set: (mm: number) => T): LengthOf<T> => ({
  ...{ label, mm, signed: true, set },
});
