/**
 * Whether two lists of plain things say the same. A list on show that says what it said before must stay the very same array:
 * an open one would close under the hand.
 */
export const alike = <T>(one: T, other: T): boolean =>
  one === other || JSON.stringify(one) === JSON.stringify(other);
