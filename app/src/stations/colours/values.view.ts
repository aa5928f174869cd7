import { hexOf } from '@kettle/core/kit/colour';
import type { Pigment, Verdict } from '@kettle/core/materials/pigment';
import { mixOf, partName, type Plan } from '@kettle/core/document/plan';
import {
  oneTone,
  type Counterchange,
  type Rung,
  type SharedEdge,
  type WetMeeting,
} from '@kettle/core/advice/values';
import { LOST_EDGE_L } from '@kettle/core/advice/whites';

/** What has become of a mix, in words. */
export const verdictInWords = (verdict: Verdict | undefined): string => {
  if (verdict === undefined) return '';
  return {
    clean: 'Its colours stay clean.',
    muted: 'Its pigments mute one another.',
    neutral: 'Opposites: together they make a grey.',
    mud: 'Mud: so many opposites take all colour out of it. Leave one out.',
  }[verdict];
};

/** Whether spectra are the painter’s own. */
export const originInWords = (pigments: readonly Pigment[]): string =>
  pigments.every(({ origin }) => origin === 'calibrated')
    ? 'Spectra calibrated from your own swatches.'
    : 'Spectra are constructed, not measured: test on scrap, or calibrate from a swatch sheet.';

/** Where a mix meets another on the card, and what appears if both are wet then. */
export const meetingsInWords = (plan: Plan, meetings: readonly WetMeeting[], mix: string): string[] => {
  const said = meetings
    .filter(({ mixes }) => mixes.includes(mix))
    .map(({ mixes, meeting }) => {
      const other = mixOf(plan, mixes[0] === mix ? mixes[1] : mixes[0]).name;
      return meeting.kind === 'grey'
        ? `Wet beside ${other} a grey appears between them: keep a pale band, or let it dry.`
        : `Wet beside ${other} ${meeting.word} appears between them.`;
    });
  return [...new Set(said)];
};

/** An edge in words. */
export const edgeInWords = (plan: Plan, { one, other, differenceL, sharedMm, lost }: SharedEdge): string =>
  `${partName(plan, one)} against ${partName(plan, other)}: ${differenceL.toFixed(0)} L* along ${sharedMm.toFixed(0)} mm${lost ? ', a lost edge' : ''}`;

/** A body and its ground in words. */
export function counterchangeInWords(plan: Plan, { area, litL, shadeL }: Counterchange): string {
  const side = (name: string, difference: number): string =>
    Math.abs(difference) < LOST_EDGE_L
      ? `its ${name} side runs into its ground (${difference.toFixed(0)} L*)`
      : `its ${name} side is ${Math.abs(difference).toFixed(0)} L* ${difference > 0 ? 'lighter' : 'darker'} than its ground`;
  return `${partName(plan, area)}: ${side('lit', litL)}, ${side('shaded', shadeL)}.`;
}

/** Where neighbours meet wet and something new appears, in words. */
export const thirdColours = (plan: Plan, meetings: readonly WetMeeting[]): string[] => [
  ...new Set(
    meetings.map(
      ({ one, other, meeting }) =>
        `${partName(plan, one)} and ${partName(plan, other)}, wet together: ${meeting.word} between them.`,
    ),
  ),
];

/** Said when nearly all of the panel lies in one of three tones. */
export const oneToneInWords = (tones: readonly number[]): string => {
  const at = oneTone(tones);
  return at === null
    ? ''
    : `All one value: ${Math.round(100 * tones[at])} % of it is ${['dark', 'middle', 'light'][at]}.`;
};

/** A rung as it is drawn: its dab at its true height, its words where there is room. */
export interface DrawnRung {
  readonly key: string;
  readonly x: number;
  readonly at: number;
  readonly y: number;
  readonly grey: string;
  readonly says: string;
}

const LADDER_TOP = 12;
const PX_A_L = 2.6;
const LINE_PX = 17;

/** Height of a lightness on the ladder, px. */
export const ladderY = (lightness: number): number => LADDER_TOP + (100 - lightness) * PX_A_L;

/** The ladder drawn; words give way downwards so that none lies over another. */
export function ladderOf(rungs: readonly Rung[]): {
  readonly rungs: readonly DrawnRung[];
  readonly height: number;
} {
  let free = 0;
  const drawn = rungs.map((rung, i): DrawnRung => {
    const at = ladderY(rung.lightness);
    const y = Math.max(at, free);
    free = y + LINE_PX;
    return {
      ...{ key: `${rung.kind} ${rung.id}`, x: 60 + 14 * (i % 2), at, y },
      grey: hexOf([rung.lightness, 0, 0]),
      says: `${rung.name}${rung.kind === 'mix' ? ' (mix)' : ''} · L* ${rung.lightness.toFixed(0)}`,
    };
  });
  return { rungs: drawn, height: Math.max(ladderY(0) + 10, free) };
}
