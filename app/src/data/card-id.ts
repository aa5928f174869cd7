/** An id for a card that no other has. */
export const newCardId = (): string => `card-${crypto.randomUUID().slice(0, 8)}`;
