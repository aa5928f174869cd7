export { cornersSchema, pictureSchema, type Corners, type Photo, type Picture } from './photo';
export { readHead, type PhotoHead } from './head';
export { inPerspective, straightened } from './straighten';
export { correctedOnPaper } from './bare-paper';
export { patchColours, type PhotoPatch } from './patches';
