export { KeptPicture } from './kept-picture';
export { PAPER_LOOKS, PaperPicture, type Painted, type PaperLook } from './paper-picture';
export { pictureOf, picturing, type PanelPicture, type PictureAsked } from './picture';
export type { PixelBox } from './zones';
