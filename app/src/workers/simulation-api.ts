import type { PanelPicture } from '@kettle/core/simulation/picture';

/** What the panel looks like at one time of a plan. */
export interface KeptMoment extends PanelPicture {
  readonly atS: number;
  /** Of the paper behind the picture, to the last bit. */
  readonly fingerprint: string;
}

/** A small sheet when all on it is dry. */
export interface PatchLook extends PanelPicture {
  readonly lightness: number;
}

export type OnMoment = (moment: KeptMoment) => void;
