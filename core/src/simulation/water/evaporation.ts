import {
  latentHeat,
  saturationPressure,
  wetBulb,
  type Climate,
  type HeatTool,
} from '../../materials/climate';
import { CARRIER_PER_MS, CARRIER_STILL } from './constants';

/**
 * Evaporation of a free wet surface, g/m²s, in the room or under a heat tool (Carrier 1918; ASHRAE).
 * In still air the surface is taken at the room's temperature; under a tool at the psychrometric wet bulb
 * of the tool's air. The vapour pressure is always the room's: a dryer heats the air, it does not dry it.
 */
export function evaporationRate(climate: Climate, tool?: Pick<HeatTool, 'airMs' | 'airTempC'>): number {
  const vapour = climate.rh * saturationPressure(climate.tempC);
  const surfaceC = tool ? wetBulb(tool.airTempC, vapour) : climate.tempC;
  const airMs = tool ? tool.airMs : climate.airMs;
  const drive = Math.max(0, saturationPressure(surfaceC) - vapour);
  const kgPerM2s = ((CARRIER_STILL + CARRIER_PER_MS * airMs) * drive) / latentHeat(surfaceC);
  return kgPerM2s * 1000;
}
