/** What keeps paint off, laid by a hand. */
export interface MaskingTool {
  readonly id: MaskingToolId;
  readonly name: string;
  /** Widths of its line from the lightest to the heaviest pressure, mm; for a spatter, of its drops. */
  readonly leastMm: number;
  readonly mostMm: number;
  /** A first touch leaves a blob so wide, mm; `null` for a tool that starts clean. */
  readonly blobMm: number | null;
  /** How thick it lies while wet, µm; `null` for what needs no drying. */
  readonly coatUm: number | null;
  /** It stays on the paper for good. */
  readonly stays: boolean;
  readonly throws: 'toothbrush' | 'tapped-brush' | null;
  readonly caution: string;
}

export const MASKING_TOOL_IDS = [
  'ruling-pen',
  'pointed-brush',
  'fine-tip',
  'marker',
  'toothbrush',
  'tapped-brush',
  'wax',
  'resist-line',
] as const;
export type MaskingToolId = (typeof MASKING_TOOL_IDS)[number];

const LATEX = 'Latex and ammonia: air the room, mind allergies, follow the maker’s sheet.';

const fluid = (
  id: MaskingToolId,
  name: string,
  leastMm: number,
  mostMm: number,
  coatUm: number,
  more: Partial<MaskingTool> = {},
): MaskingTool => ({
  ...{ id, name, leastMm, mostMm, coatUm, blobMm: null, stays: false, throws: null },
  ...{ caution: LATEX, ...more },
});

/**
 * The tools a mask is laid with, the finest first. Narrowest lines are the trade’s habit; coats are ours, so that a brushed
 * coat sets in the trade’s five minutes in an ordinary room and a bead from a bottle in about ten.
 */
export const MASKING_TOOLS: readonly MaskingTool[] = [
  fluid('ruling-pen', 'ruling pen', 0.3, 1.2, 28),
  fluid('pointed-brush', 'pointed old brush, soaped', 0.5, 4, 32),
  fluid('fine-tip', 'fine-tip bottle', 0.8, 2, 60, {
    blobMm: 2.4,
    caution: `Up-end the bottle, do not shake it. ${LATEX}`,
  }),
  fluid('marker', 'masking marker', 1.5, 4, 26, { caution: `Shake and prime it on scrap. ${LATEX}` }),
  fluid('toothbrush', 'toothbrush spatter', 0.2, 0.9, 40, { throws: 'toothbrush' }),
  fluid('tapped-brush', 'spatter from a tapped brush', 0.6, 3, 90, { throws: 'tapped-brush' }),
  fluid('wax', 'wax', 1, 3, 0, {
    coatUm: null,
    stays: true,
    caution: 'Wax stays on the paper and shows a broken edge.',
  }),
  fluid('resist-line', 'melted or stamped resist line', 0.6, 2, 0, {
    coatUm: null,
    stays: true,
    caution:
      'A heat tool burns and its fumes are not to be breathed: air the room, follow the maker’s sheet.',
  }),
];

/** A tool by id. */
export const maskingTool = (id: MaskingToolId): MaskingTool => MASKING_TOOLS.find((tool) => tool.id === id)!;

/** Tools that draw a line and come off again, the finest first. */
export const MASK_PENS: readonly MaskingTool[] = MASKING_TOOLS.filter(
  ({ stays, throws }) => !stays && !throws,
);

/** Width of a line at a pressure 0…1, mm. */
export const lineMm = ({ leastMm, mostMm }: MaskingTool, pressure: number): number =>
  leastMm + (mostMm - leastMm) * pressure;
