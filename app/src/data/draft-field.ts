/** A field that letters are written into. */
export type WrittenField = HTMLInputElement | HTMLTextAreaElement;

/** Inputs that no letters are written into. */
const NOT_WRITTEN_IN = /^(radio|checkbox|button|color|file|range|submit)$/;

/** The field an event came from, if letters are written into it. */
export function writtenField(target: EventTarget | null): WrittenField | null {
  if (target instanceof HTMLTextAreaElement) return target;
  return target instanceof HTMLInputElement && !NOT_WRITTEN_IN.test(target.type) ? target : null;
}

/** How a field is called on the page. */
export const labelOf = (field: WrittenField): string =>
  (
    field.getAttribute('aria-label') ??
    field.labels?.[0]?.innerText.split('\n')[0] ??
    (field.placeholder || field.id)
  ).trim();

const fieldsCalled = (label: string): WrittenField[] =>
  [...document.querySelectorAll<WrittenField>('input, textarea')].filter(
    (field) => writtenField(field) && labelOf(field) === label,
  );

/** Where a field stands among those that are called the same. */
export const fieldPlace = (field: WrittenField): { label: string; nth: number } => {
  const label = labelOf(field);
  return { label, nth: Math.max(0, fieldsCalled(label).indexOf(field)) };
};

/** The field of a page that is called so; `null` where there is none. */
export const fieldAt = (label: string, nth: number): WrittenField | null =>
  fieldsCalled(label).at(nth) ?? null;

/** Writes into a field as a hand would, and leaves it. */
export function writeInto(field: WrittenField, text: string): void {
  field.value = text;
  field.dispatchEvent(new Event('input', { bubbles: true }));
  field.dispatchEvent(new Event('change', { bubbles: true }));
}
