import type { Restored } from '../../data/backup';
import type { Snapshot } from '../../data/rows';
import { BIN_DAYS, type BinnedCard } from '../../data/safekeeping';

const DAY_MS = 86_400_000;

const dayInWords = (ms: number): string =>
  new Date(ms).toLocaleDateString('en-GB', { day: 'numeric', month: 'long', year: 'numeric' });

/** When the last backup was made, and whether it is time for one. */
export function backupInWords(lastMs: number | null, nowMs: number): string {
  if (lastMs === null) return 'You have no backup yet.';
  // It may have been made a moment after the page was opened.
  const days = Math.max(0, Math.floor((nowMs - lastMs) / DAY_MS));
  if (days === 0) return 'Your last backup is from today.';
  return `Your last backup is from ${dayInWords(lastMs)}, ${days === 1 ? 'a day' : `${days} days`} ago.`;
}

/** How long a card stays in the bin. */
export function binnedInWords({ binnedAt }: BinnedCard, nowMs: number): string {
  const left = Math.max(0, Math.ceil(BIN_DAYS - (nowMs - binnedAt) / DAY_MS));
  const stays = left === 1 ? 'one more day' : `${left} more days`;
  return `thrown away on ${dayInWords(binnedAt)}; stays for ${stays}`;
}

const WHY: { readonly [W in Snapshot['why']]: string } = {
  renewed: 'before a newer version of the program first saved it',
  'put-back': 'before the demo card was put back',
  mended: 'before it was mended',
  restored: 'before a backup took its place',
  'begun-anew': 'before the studio was begun anew',
};

/** Why an earlier state was kept, and when. */
export const snapshotInWords = ({ at, why }: Snapshot): string => `${dayInWords(at)}, ${WHY[why]}`;

/** What came of a backup, a line each. */
export function restoredInWords({ back, beside, same, refused, studio }: Restored): string[] {
  const cards = (count: number): string => (count === 1 ? '1 card' : `${count} cards`);
  const lines = [
    back.length > 0 ? `${cards(back.length)} put back: ${listed(back)}.` : '',
    beside.length > 0
      ? `${cards(beside.length)} put beside the one you have, which has changed since: ${listed(beside)}.`
      : '',
    same.length > 0 ? `${cards(same.length)} here already, just the same.` : '',
    refused.length > 0 ? `Not restored: ${listed(refused)}.` : '',
    STUDIO[studio],
  ];
  return lines.filter((line) => line !== '');
}

const STUDIO: { readonly [S in Restored['studio']]: string } = {
  taken: 'People, days, paint box and settings are those of the backup.',
  merged: 'People, days, pigments and drawings that were missing have been added; your settings stay.',
  same: '',
  damaged: 'People, days and paint box could not be read; yours stay as they are.',
};

/** So many names are told in one line. */
const MOST_NAMED = 8;

function listed(names: readonly string[]): string {
  const rest = names.length - MOST_NAMED;
  return rest > 0 ? `${names.slice(0, MOST_NAMED).join(', ')} and ${rest} more` : names.join(', ');
}

/** The parts of a plan as a painter calls them. */
const PARTS: Readonly<Partial<Record<string, string>>> = {
  brief: 'what the card is for',
  climate: 'the air of the room',
  card: 'the card’s size',
  crop: 'the crop',
  paper: 'the paper',
  sheets: 'the sheets it is cut from',
  rules: 'its house rules',
  pictures: 'picture',
  lines: 'drawn line',
  words: 'lettering',
  guides: 'guide',
  lamp: 'the lamp',
  areas: 'area',
  whites: 'white',
  resists: 'freehand mask',
  palette: 'pigment on the dish',
  mixes: 'mix',
  acts: 'step',
  table: 'boards and hands',
  variants: 'copies painted otherwise',
  trials: 'painted sheet',
  sitting: 'the sitting',
  accepted: 'accepted finding',
  embedded: 'its papers and pigments',
};

/** What mending a card leaves out, in words: `step 4, the air of the room`. */
export const lostInWords = (lost: readonly string[]): string =>
  lost
    .map((part) => {
      const [, name, at] = /^(\w+)(?:\[(\d+)\])?$/.exec(part) ?? ['', part, undefined];
      const says = PARTS[name];
      if (!says) return part;
      return at === undefined ? says : `${says} ${Number(at) + 1}`;
    })
    .join(', ');
