import { DRY_PAPER_GM2 } from './constants';

/**
 * Physical numbers of water and pigment that move over the paper. Units: µm of film (1 µm = 1 g/m²), g/m² of
 * pigment, g/m² in the paper, s, mm. *Fitted* means set so that the effects in docs/water-model.md come out at
 * their size.
 */

/** Raised with every change after which the same acts give another paper: what was kept of older ones is then worked out anew. */
export const WATER_VERSION = 2;

/** Film that the fibres hold and that does not flow where they hold as strongly as on the mean, µm (fitted; a film mobile down to nothing gives fractal fronts). */
export const HELD_FILM_UM = 8;

/** ρg/3μ of paint of 1.5 mPa·s, mm²/s per µm³: a thin film levels as its depth cubed (lubrication; Reynolds 1886). */
export const LEVELLING = 2.18e-6;

/** Surface tension smooths thin films faster than gravity: a factor up to 31 below this depth, µm (surrogate; fitted). */
export const TENSION_GAIN = 30;
export const TENSION_DEPTH_UM = 20;

/** Levelling is never faster, mm²/s: inertia, which a film equation leaves out. */
export const FASTEST_LEVELLING = 60;

/** Films much deeper than this follow their own level, thinner ones the relief of the paper, µm (fitted). */
export const RELIEF_DEPTH_UM = 130;

/** Half of Π/μ, the pull of a surface that pigment has slackened, for Π = 0.06 mN/m (Marangoni; fitted). */
export const PRESSURE_PULL = 0.02;

/** Concentration at which pigment has slackened the surface by half, g/m² per µm (fitted). */
export const SLACK_CONCENTRATION = 0.002;

/** Water creeps through the wet fibre layer under a thin film, mm²/s, at most as if from this depth, µm (fitted). */
export const MESH_CREEP = 0.05;
export const MESH_DEPTH_UM = 20;

/** Share of its pigment that water takes along through the fibres (fitted: they filter). */
export const MESH_CARRIES = 0.42;

/** A bead breaks out onto damp paper from this height, µm, onto bone-dry sized paper from that much more (fitted). */
export const BEAD_DAMP_UM = 60;
export const BEAD_DRY_UM = 1740;

/** Of the flow over a face that has opened, at least this share passes onto dry paper (fitted). */
export const LEAST_PASSAGE = 0.3;

/** Wettability fades from 1 within this time in an ordinary room, s, to what the damp in the paper keeps up, g/m². */
export const WETTABILITY_FADES_S = 90;
export const WETTABILITY_NONE_GM2 = DRY_PAPER_GM2;
export const WETTABILITY_FULL_GM2 = 70;

/** Evaporation of an ordinary room, g/m²s, against which the fading of wettability is scaled: 20 °C, 50 %, still. */
export const ORDINARY_EVAPORATION = 0.0425;

/**
 * Spreading of pigment in the film, mm²/s: in deep films; where paint meets water, which it does where its surface
 * pressure changes by 1 within so many mm; and by stirring, mm (fitted). Spreading everywhere would make edges
 * lighter than the middle.
 */
export const SPREAD_DEEP = 0.03;
export const SPREAD_DEEP_UM = 60;
export const SPREAD_MEETING = 0.01;
export const SPREAD_MEETING_UM = 20;
export const SPREAD_MEETING_MM = 1;
export const SPREAD_STIRRED_MM = 0.05;

/** A rim dries faster than the middle of a wash: up to 1 + 12 times where nothing near is wet (fitted; Deegan 1997). */
export const RIM_GAIN = 12;
/** Nearness for that, mm, and the paper water above which paper counts as wet, g/m². */
export const RIM_BOX_MM = 2;
export const RIM_WET_GM2 = 1;

/** Settling of pigment onto the paper, µm/s: a fine one, and what granulation adds; it collects in valleys of the relief (fitted). */
export const SETTLE_FINE = 0.25;
export const SETTLE_GRAINY = 3;
export const VALLEY_RELIEF_UM = 36;
export const LEAST_SETTLING = 0.1;

/** Pigment carried into the fibres by water that is taken up: a share of it, more for what stains, none for grains (fitted). */
export const PENETRATION_FLOOR = 0.05;
export const PENETRATION_STAIN = 0.38;

/** Fresh deposit floats off again, 1/s, less for what stains; flowing water takes more (fitted). */
export const FLOAT_OFF = 0.0392;
export const FLOAT_OFF_STAIN = 0.02;
export const STAIN_HOLDS = 0.6;
export const FLOW_TAKES = 80;
export const FASTEST_TAKING_MM_S = 3;

/**
 * Binder thickens as water leaves the paper: from this damp on, g/m², to all of it where the paper is touch dry,
 * within this time, s; it softens under water, s (fitted).
 */
export const BINDER_BEGINS_GM2 = 70;
export const BINDER_SETS_S = 60;
export const BINDER_SOFTENS_S = 1500;

/** A film below this is gone: its water is the paper's, what floated in it lies, µm. */
export const LAST_FILM_UM = 0.5;

/** Opaque white and mica settle as a pigment of this granulation. */
export const HEAVY_GRANULATION = 0.2;

/** Paper with less water than this has none, g/m²: what dries ever more slowly must come to an end. */
export const LAST_DAMP_GM2 = 0.01;

/**
 * After a touch a step is so short, s per mm of a cell's side, and grows so much a step; it is never longer than so
 * many s once the paper is only cool, and once it is dry.
 */
export const TOUCH_STEP_S_MM = 0.08;
export const TOUCH_GROWTH = 1.5;
export const LONGEST_COOL_STEP_S = 10;
export const LONGEST_DRY_STEP_S = 60;
/** The longest steps hold for cells no larger than this, mm; they grow with larger ones, up to so many times. */
export const FINE_CELL_MM = 0.5;
export const MOST_COARSE = 2;

/** Steps aim at this many cells of movement, counting faces that move more than this film, µm. */
export const CELLS_A_STEP = 3;
export const MOVING_FILM_UM = 4;
