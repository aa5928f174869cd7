export { readGpl, writeGpl, type NamedColour } from './gpl';
export { boxFromRows, boxRows } from './paint-box';
export { parseJson, readKettleFile, writeKettleFile, type KettleFile } from './kettle-file';
export { readCalendar, writeCalendar, type CalendarDay } from './calendar-file';
export { writePng, type Picture } from './png';
export { mergedPicture } from './merged-picture';
export {
  readBackup,
  writeBackup,
  type BackedUpCard,
  type ReadBackup,
  type StudioBackup,
} from './studio-backup';
