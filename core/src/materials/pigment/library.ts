import { BadInput } from '../../kit/units';
import data from './data/pigments.json';
import { MASSTONE_COVERS } from './metallic';
import { pigmentSchema, type Pigment } from './pigment';

const painted = data.pigments.map((entry) =>
  pigmentSchema.parse({
    code: entry.code,
    revision: 1,
    ci: entry.ci,
    name: entry.name,
    family: entry.family,
    masstoneLoadGm2: entry.masstoneLoad_gm2,
    k0: entry.k0,
    s0: entry.s0,
    sp: entry.sp,
    bands: entry.bands,
    staining: entry.staining,
    granulation: entry.granulation,
    lightfastness: entry.lightfastness,
    hazard: entry.hazard,
    transparencyClass: entry.transparencyClass,
    origin: 'constructed',
  }),
);

const metallic = data.metallic.map((entry) =>
  pigmentSchema.parse({
    code: entry.code,
    revision: 1,
    ci: entry.ci,
    name: entry.name,
    family: 'metallic',
    masstoneLoadGm2: MASSTONE_COVERS * entry.m0_gm2,
    k0: 0,
    s0: 0,
    sp: 0,
    bands: [],
    staining: entry.staining,
    granulation: entry.granulation,
    lightfastness: entry.lightfastness,
    hazard: entry.hazard,
    transparencyClass: 'O',
    metallic: { coverLoadGm2: entry.m0_gm2, face: entry.faceLab, flop: entry.flopLab },
    origin: 'constructed',
  }),
);

/** The 44 generic pigments and two metallics the app ships with. Their spectra are constructed, none is measured. */
export const PIGMENTS: readonly Pigment[] = [...painted, ...metallic];

/** Finds a pigment by its public code; throws `BadInput` on `field` with the codes to choose from. */
export function pigmentByCode(code: string, field = 'pigment', pigments = PIGMENTS): Pigment {
  const found = pigments.find((pigment) => pigment.code === code);
  if (found) return found;
  const near = pigments.filter((p) => p.ci === code || p.code.toLowerCase().startsWith(code.toLowerCase()));
  throw near.length > 0 && code.length > 1
    ? new BadInput(field, `“${code}” is ambiguous; choose ${listCodes(near)}`)
    : new BadInput(field, `unknown pigment “${code}”; known: ${listCodes(pigments)}`);
}

const listCodes = (pigments: readonly Pigment[]): string => pigments.map((p) => p.code).join(', ');
