export { readGpl, writeGpl, type NamedColour } from './gpl';
export { boxFromRows, boxRows } from './paint-box';
export { parseJson, readKettleFile, writeKettleFile, type KettleFile, type OpenedFile } from './kettle-file';
export { BACKUP_LIMITS, CARD_LIMITS, inMB, MOST_PICTURE_BYTES } from './limits';
export { readCalendar, writeCalendar, type CalendarDay, type ReadCalendar } from './calendar-file';
export { writePng, type Bitmap } from './png';
export { mergedPicture } from './merged-picture';
export {
  readBackup,
  writeBackup,
  type BackedUpCard,
  type ReadBackup,
  type StudioBackup,
} from './studio-backup';
