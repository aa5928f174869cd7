/** Millimetres in an SVG; hundredths are finer than any printer. */
export const mmText = (value: number): string => String(Math.round(value * 100) / 100);

/** The same to a micrometre, where it is to be read again as it was. */
export const fineText = (value: number): string => String(Math.round(value * 1000) / 1000);

const ENTITIES: Readonly<Record<string, string>> = { '&': '&amp;', '<': '&lt;', '>': '&gt;', '"': '&quot;' };

/** Text as it may stand in XML. */
export const escapeXml = (text: string): string =>
  text.replace(/[&<>"]/g, (character) => ENTITIES[character]);
