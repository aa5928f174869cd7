import type { Plan } from '@kettle/core/plan';
import type { RehearsalSetting } from '@kettle/core/schedule';
import type { PanelPicture, Simulation } from '@kettle/core/water';
import type { Difference, LayerSpan, Remedy } from '@kettle/core/trials';
import type { OpenedSheet } from './painting-api';
import type { Forecast, Morning, Place } from './sheet-jobs';
import type { OnProgress } from './watching';

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

/** The simulation worker's side of the protocol. Jobs are done one after another in the order they came. */
export interface SimulationApi {
  /**
   * Paints a plan as a hand would and tells the moments worth a look as they are reached; the answer is how many were,
   * `null` when cancelled. A plan the panel cannot hold is refused with the core's own words.
   */
  rehearse(
    job: number,
    plan: Plan,
    setting: RehearsalSetting,
    onMoment: OnMoment,
    onProgress: OnProgress,
  ): Promise<number | null>;
  /** Simulates a patch to its end: how it looks dry, and the lightness of its probe. */
  patch(simulation: Simulation): Promise<PatchLook>;
  /** A sheet painted by hand, when all on it has dried; `null` when cancelled, here and below. */
  morning(job: number, sheet: OpenedSheet, onProgress: OnProgress): Promise<Morning | null>;
  /** What comes of a remedy at a place of a sheet. */
  forecast(
    job: number,
    sheet: OpenedSheet,
    remedy: Pick<Remedy, 'steps'>,
    place: Place,
    onProgress: OnProgress,
  ): Promise<Forecast | null>;
  /** Where two sheets differ. Refuses sheets of different shapes. */
  compare(one: PanelPicture, other: PanelPicture): Promise<Difference>;
  /** A sheet taken apart into what was laid by each time, as an OpenRaster file. */
  openRaster(
    job: number,
    sheet: OpenedSheet,
    spans: readonly LayerSpan[],
    onProgress: OnProgress,
  ): Promise<Uint8Array | null>;
  cancel(job: number): void;
}
