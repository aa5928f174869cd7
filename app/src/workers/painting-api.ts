import type { HandAct, Plan, Trial } from '@kettle/core/document/plan';
import type { Pigment } from '@kettle/core/materials/pigment';
import type { ActOf, AskedAct, ClockOrder, ProbeReading, Shape, Stage } from '@kettle/core/simulation/water';
import type { PaperLook, PixelBox } from '@kettle/core/simulation/picture';
import type { OnProgress } from './job-runner';

/** A sheet to be painted on, with all that was done on it, and what its plan knows of papers and pigments. */
export interface OpenedSheet {
  readonly trial: Trial;
  readonly embedded: Plan['embedded'];
  /** Under which its paper is kept between two openings. */
  readonly key: string;
  /** The time it is to stand at, if its paper was not kept; `null` for when the last of its acts is done. */
  readonly atS: number | null;
}

/** A stroke as the hand asks for it: the paper’s clock says when. */
export type AskedStroke = Omit<ActOf<'stroke'>, 'atS' | 'points'>;

/** Where a brush comes: mm from the sheet’s corner, and how hard it is pressed. */
export type BrushPlace = readonly [x: number, y: number, pressure: number];

/** A part of the sheet as it looks now. */
export interface PaintedTile extends Omit<PixelBox, 'pxPerMm'> {
  readonly rgba: Uint8ClampedArray;
}

/** What is new on the table. */
export interface PaintingEvent {
  readonly atS: number;
  /** How fast the paper’s clock is to run, and how fast it does. */
  readonly rate: number;
  readonly reachedRate: number;
  /** It runs ahead until something is so. */
  readonly runsAhead: boolean;
  /** Share of the sheet at each stage. */
  readonly stages: Readonly<Record<Stage, number>>;
  readonly tiles: readonly PaintedTile[];
  /** Places of the stroke under way with the paper’s times at which the brush was there. */
  readonly stroke: ActOf<'stroke'>['points'];
}

/** The sheet that lies ready. */
export interface ReadySheet {
  /** Pixels it is drawn with. */
  readonly columns: number;
  readonly rows: number;
  readonly atS: number;
  /** It was worked out again from its acts, since what was kept of it is of another version of the program. */
  readonly fromAnew: boolean;
}

/** What a sheet holds at a place, and a fingerprint of all of it. */
export interface SheetReading extends ProbeReading {
  readonly fingerprint: string;
}

/** The painting worker’s side of the protocol. One sheet lies on its table at a time. */
export interface PaintingApi {
  open(sheet: OpenedSheet, tell: (news: PaintingEvent) => void, onProgress: OnProgress): Promise<ReadySheet>;
  /** A brush comes down, goes on, and leaves: the answer is the stroke as it was done. */
  begin(stroke: AskedStroke, place: BrushPlace): void;
  goOn(places: readonly BrushPlace[]): void;
  end(): Promise<HandAct | null>;
  /** The stroke was not meant: the paper is as it was before. */
  giveUp(): Promise<void>;
  /** Anything else the hand does, at once. Throws `BadInput` for what the sheet cannot hold. */
  act(act: AskedAct): Promise<HandAct>;
  /** The acts from `after` on are these instead; the paper’s time goes back to the first that is gone. */
  setActs(after: number, acts: readonly HandAct[]): Promise<void>;
  /** More pigments are set out; those the sheet has keep their places. */
  setOut(pigments: readonly Pigment[]): void;
  clock(order: ClockOrder): void;
  /** Runs ahead until the sheet is so far; resolves then, or when its clock is told otherwise. */
  runTo(until: 'matt' | 'dry'): Promise<void>;
  look(look: PaperLook, masked: boolean): void;
  read(shape: Shape): Promise<SheetReading>;
  /** Keeps the paper as it is, for the next opening. */
  keep(): Promise<void>;
  forget(key: string): Promise<void>;
  close(): Promise<void>;
}
