export { FONT_IDS, FONT_NAMES, loadFont, type FontId, type LetterFont } from './font';
export { baseline, mostArch, type Baseline } from './baseline';
export { setWords, wordsSchema, type SetLetter, type Setting, type Words } from './words';
