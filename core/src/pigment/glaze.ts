import { labOf, type Lab, type Spectrum } from '../colour';
import { paperReflectance, type Paper } from '../paper';
import { infiniteLayer, overGround, ratioOf } from './layer';
import { lightOfLoads, pigmentLoads, type Mix } from './mix';
import { interfaceAt, internalOf, seenThrough, type Interface } from './surface';

const DRY = interfaceAt(0);

/** Internal reflectance of the bare paper; wetting takes scatter from its fibres and darkens it. */
function paperInternal(paper: Paper, surface: Interface): Spectrum {
  return paperReflectance(paper.white).map((seen) => {
    const dry = internalOf(DRY, seen);
    return surface.paperScatter === 1 ? dry : infiniteLayer(ratioOf(dry) / surface.paperScatter);
  });
}

/**
 * Reflectance of paint layers on paper, bottom layer first, as the eye sees it; 36 bands.
 * `wetness` 0…1 is that of the top layer (of the bare paper when there is none); the layers below are dry.
 * Layers are composed in internal reflectance and the surface is applied once, on top.
 */
export function glazeReflectance(paper: Paper, layers: readonly Mix[], wetness = 0): Spectrum {
  const surface = interfaceAt(wetness);
  let ground = paperInternal(paper, surface);
  layers.forEach((mix, i) => {
    const scatter = i === layers.length - 1 ? surface.pigmentScatter : 1;
    const light = lightOfLoads(
      mix.parts.map((part) => part.pigment),
      pigmentLoads(mix),
      scatter,
    );
    ground = ground.map((under, band) => overGround(light[band], under));
  });
  return ground.map((internal) => seenThrough(surface, internal));
}

/** Colour of layers on paper in daylight. */
export const glazeLab = (paper: Paper, layers: readonly Mix[], wetness = 0): Lab =>
  labOf(glazeReflectance(paper, layers, wetness));
