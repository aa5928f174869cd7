import type { Paper } from '../../materials/paper';
import type { Pigment } from '../../materials/pigment';
import {
  DRY_PAPER_GM2,
  FALLING_RATE_SHARE,
  UPTAKE_GM2,
  UPTAKE_OFFSET_GM2,
  CREEP_MM2_S,
  CREEP_REFERENCE_GM2,
} from './constants';
import * as flow from './flow-constants';

/** How one pigment settles, sinks in, floats off and stains. */
export interface SpeciesNumbers {
  /** Settling, µm/s; share of taken-up water's pigment that stays in the fibres; floating off, 1/s; staining 0…1; granulation 0…1. */
  readonly settle: number;
  readonly penetrate: number;
  readonly floatOff: number;
  readonly stain: number;
  readonly granulation: number;
}

/** Dissolved salt neither settles nor stains. */
export const SALT_SPECIES: SpeciesNumbers = {
  settle: 0,
  penetrate: 0,
  floatOff: 0,
  stain: 0,
  granulation: 0,
};

/** What a pigment's staining and granulation (0…1, general knowledge) mean in water. */
export function speciesOf({ staining, granulation, family, metallic }: Pigment): SpeciesNumbers {
  const heavy = metallic !== undefined || family === 'white';
  const g = heavy ? flow.HEAVY_GRANULATION : granulation;
  return {
    settle: flow.SETTLE_FINE + flow.SETTLE_GRAINY * g * g,
    penetrate: flow.PENETRATION_FLOOR + flow.PENETRATION_STAIN * Math.sqrt(staining) * (1 - g),
    floatOff: flow.FLOAT_OFF - flow.FLOAT_OFF_STAIN * staining,
    stain: staining,
    granulation: g,
  };
}

/** The physical numbers of a step that change with time, room and board. */
export interface StepNumbers {
  readonly dtS: number;
  /** Evaporation of a free surface, g/m²s. */
  readonly evaporation: number;
  /** Fall of the board along x and y, µm/mm. */
  readonly tiltX: number;
  readonly tiltY: number;
  /** Whether the rims are looked for anew, and how long the creep in the paper has waited, s; 0 leaves it waiting. */
  readonly rims: boolean;
  readonly creepS: number;
  /** The species that are on the panel; the same list as long as they are the same. */
  readonly acting: readonly number[];
}

/** The numbers of a panel that do not change, in the order in which the compiled kernel reads them. */
export const FLOW_NUMBERS = [
  'uptake',
  'uptakeOffset',
  'fallingShare',
  'creep',
  'creepReference',
  'heldFilm',
  'levelling',
  'tensionGain',
  'tensionDepth',
  'fastest',
  'reliefDepth',
  'pull',
  'slack',
  'meshCreep',
  'meshDepth',
  'meshCarries',
  'beadDamp',
  'beadDry',
  'leastPassage',
  'fades',
  'wetNone',
  'wetFull',
  'spreadDeep',
  'spreadDeepUm',
  'spreadMeeting',
  'spreadMeetingUm',
  'spreadMeetingMm',
  'spreadStirred',
  'rimGain',
  'rimWet',
  'valley',
  'leastSettling',
  'stainHolds',
  'flowTakes',
  'fastestTaking',
  'binderBegins',
  'binderSets',
  'binderSoftens',
  'dryPaper',
  'lastFilm',
  'lastDamp',
  'movingFilm',
] as const;
export type FlowNumbers = Readonly<Record<(typeof FLOW_NUMBERS)[number], number>>;

/** The numbers of water on this paper in this room; `evaporation` scales how fast wettability fades. */
export function flowNumbers(paper: Pick<Paper, 'uptake'>, evaporation: number): FlowNumbers {
  return {
    uptake: paper.uptake * UPTAKE_GM2,
    uptakeOffset: UPTAKE_OFFSET_GM2,
    fallingShare: FALLING_RATE_SHARE,
    creep: CREEP_MM2_S,
    creepReference: CREEP_REFERENCE_GM2,
    heldFilm: flow.HELD_FILM_UM,
    levelling: flow.LEVELLING,
    tensionGain: flow.TENSION_GAIN,
    tensionDepth: flow.TENSION_DEPTH_UM,
    fastest: flow.FASTEST_LEVELLING,
    reliefDepth: flow.RELIEF_DEPTH_UM,
    pull: flow.PRESSURE_PULL,
    slack: flow.SLACK_CONCENTRATION,
    meshCreep: flow.MESH_CREEP,
    meshDepth: flow.MESH_DEPTH_UM,
    meshCarries: flow.MESH_CARRIES,
    beadDamp: flow.BEAD_DAMP_UM,
    beadDry: flow.BEAD_DRY_UM,
    leastPassage: flow.LEAST_PASSAGE,
    fades: (flow.WETTABILITY_FADES_S * flow.ORDINARY_EVAPORATION) / Math.max(1e-6, evaporation),
    wetNone: flow.WETTABILITY_NONE_GM2,
    wetFull: flow.WETTABILITY_FULL_GM2,
    spreadDeep: flow.SPREAD_DEEP,
    spreadDeepUm: flow.SPREAD_DEEP_UM,
    spreadMeeting: flow.SPREAD_MEETING,
    spreadMeetingUm: flow.SPREAD_MEETING_UM,
    spreadMeetingMm: flow.SPREAD_MEETING_MM,
    spreadStirred: flow.SPREAD_STIRRED_MM,
    rimGain: flow.RIM_GAIN,
    rimWet: flow.RIM_WET_GM2,
    valley: flow.VALLEY_RELIEF_UM,
    leastSettling: flow.LEAST_SETTLING,
    stainHolds: flow.STAIN_HOLDS,
    flowTakes: flow.FLOW_TAKES,
    fastestTaking: flow.FASTEST_TAKING_MM_S,
    binderBegins: flow.BINDER_BEGINS_GM2,
    binderSets: flow.BINDER_SETS_S,
    binderSoftens: flow.BINDER_SOFTENS_S,
    dryPaper: DRY_PAPER_GM2,
    lastFilm: flow.LAST_FILM_UM,
    lastDamp: flow.LAST_DAMP_GM2,
    movingFilm: flow.MOVING_FILM_UM,
  };
}
