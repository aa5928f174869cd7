export { FONT_IDS, FONT_NAMES, loadFont, loadFonts, type FontId, type LetterFont } from './font';
export { baseline, mostArch, type Baseline } from './baseline';
export { settingsOf, setWords, wordsSchema, type SetLetter, type Setting, type Words } from './words';
