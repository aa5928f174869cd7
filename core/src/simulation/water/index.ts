export { evaporationRate } from './evaporation';
export { absorptionRate, paperEvaporationRate, type WaterPaper } from './exchange';
export { STAGE_WORDS, STAGES, stageOf, wetLook, type Stage } from './stages';
export { dry, waterAt, type DryingCourse, type StageEnds, type Wash } from './drying';
export { maskSetting } from './mask-setting';
export { plainLineKernel, type LineKernel, type LineParameters } from './line-solver';
export { creeping, dampCreep, lineParameters } from './creep';
export * from './constants';
export {
  FLOW_NUMBERS,
  flowNumbers,
  speciesOf,
  type FlowNumbers,
  type SpeciesNumbers,
  type StepNumbers,
} from './flow-numbers';
export { cellAt, PLANES, panelGrid, type Panel, type PanelGrid } from './panel';
export type { PanelKernel, StepReport, SweepOrder } from './panel-kernel';
export { lookingAtSheet } from './sheet';
export { plainPanelKernel } from './panel-plain';
export { rimReach } from './rim';
export { panelActSchema, type ActOf, type PanelAct, type StrokePoint } from './panel-act';
export { shapeBounds, shapeSchema, type Shape } from './shape';
export { sharesOfStages, stageAtPoint } from './sheet-stages';
export { actOnPanel, spatteredDrops } from './act-on-panel';
export { eventsOf, type PanelEvent } from './panel-event';
export { cornerOf, lookingAtRelief, RELIEF_PX_MM, reliefOf, type Relief } from './relief';
export { Replay, type RestartMoment } from './replay';
export { fingerprintOf, markOf, markOfText } from './fingerprint';
export { WATER_VERSION } from './flow-constants';
export { isReached, PaperClock, wetCells, type ClockOrder } from './paper-clock';
export { passTime, setOut, startPanel, type PanelRun, type PanelSetting } from './panel-run';
export {
  spatterDrops,
  THROWS,
  type Drop,
  type Shield,
  type SpatterRequest,
  type SpatterTool,
} from './spatter';
export { BRUSHES, BRUSH_LOADS, brushById, reachMm, widthAt, type Brush } from './brush';
export { EXCHANGES } from './stroke';
export {
  actOfTool,
  HAND_TOOLS,
  pressedBy,
  type AskedAct,
  type HandTool,
  type HandToolKind,
  type Laden,
} from './hand-tool';
export { brushFor, brushing, brushwork, lengthOf, type Brushwork, type HandStroke } from './brushwork';
export {
  balanceOf,
  lookOf,
  openSimulation,
  pigmentsOf,
  probe,
  simulate,
  simulationSchema,
  type Balance,
  type Stock,
  type ProbeReading,
  type Simulation,
  type SimulationAnswer,
} from './simulate';
