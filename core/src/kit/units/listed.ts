const LIST = new Intl.ListFormat('en-GB');

/** Names one after another as they are said: “sky, quay and boat”. */
export const listed = (names: readonly string[]): string => LIST.format(names);
