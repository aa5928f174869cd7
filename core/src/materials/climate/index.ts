export { latentHeat, saturationPressure, wetBulb } from './humid-air';
export { CLIMATES_BY_FEEL, climateSchema, heatToolSchema, type Climate, type HeatTool } from './climate';
