export { evaporationRate } from './evaporation';
export { absorptionRate, paperEvaporationRate, type WaterPaper } from './exchange';
export { STAGE_WORDS, stageOf, wetLook, type Stage } from './stages';
export { dry, waterAt, type DryingCourse, type StageEnds, type Wash } from './drying';
export { maskSetting } from './mask-setting';
export { plainLineKernel, type LineKernel, type LineParameters } from './line-solver';
export { dampCreep, lineParameters } from './creep';
export * from './constants';
