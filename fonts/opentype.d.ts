/** The little of opentype.js that the fonts are read with; its own types would bring the DOM's along. */
declare module 'opentype.js' {
  export interface Command {
    readonly type: 'M' | 'L' | 'Q' | 'C' | 'Z';
    readonly x: number;
    readonly y: number;
    readonly x1: number;
    readonly y1: number;
    readonly x2: number;
    readonly y2: number;
  }
  export interface Glyph {
    readonly index: number;
    readonly advanceWidth: number;
    getPath(x: number, y: number, fontSize: number): { readonly commands: readonly Command[] };
  }
  export interface Font {
    readonly unitsPerEm: number;
    charToGlyph(char: string): Glyph;
    getKerningValue(left: Glyph, right: Glyph): number;
    getAdvanceWidth(
      text: string,
      fontSize: number,
      options: { readonly kerning: boolean; readonly features: object },
    ): number;
  }
  const opentype: { parse(bytes: ArrayBuffer): Font };
  export default opentype;
}
