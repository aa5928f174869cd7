import { ENVELOPES } from '@kettle/core/commission/card';
import { CHECKS } from '@kettle/core/advice/checks';
import { CLIMATES_BY_FEEL } from '@kettle/core/materials/climate';
import { LIGHTS } from '@kettle/core/kit/colour';
import { FONT_IDS, FONT_NAMES } from '@kettle/core/drawing/lettering';
import { MASKING_TOOLS } from '@kettle/core/drawing/masking';
import { PAPERS } from '@kettle/core/materials/paper';
import { PIGMENTS } from '@kettle/core/materials/pigment';
import { CHORES, TECHNIQUES } from '@kettle/core/document/plan';
import { BRUSHES } from '@kettle/core/simulation/water';
import type { CliCommand } from '../command';

export const list: CliCommand = {
  name: 'list',
  says: 'the ids that the other commands know',
  shape: {
    in: '(nothing)',
    out: 'papers[{id,name}] pigments[…] lights[…] brushes[…] envelopes[…] climates[…] techniques[…] chores[…] fonts[…] maskingTools[…] checks[{id,severity}]',
  },
  input: 'none',
  run: () => ({
    papers: PAPERS.map(idAndName),
    pigments: PIGMENTS.map(({ code, name }) => ({ id: code, name })),
    lights: LIGHTS,
    brushes: BRUSHES.map(idAndName),
    envelopes: ENVELOPES,
    climates: CLIMATES_BY_FEEL,
    techniques: TECHNIQUES.map(idAndName),
    chores: CHORES.map(idAndName),
    fonts: FONT_IDS.map((id) => ({ id, name: FONT_NAMES[id] })),
    maskingTools: MASKING_TOOLS.map(({ id, name, leastMm, mostMm }) => ({ id, name, leastMm, mostMm })),
    checks: CHECKS.map(({ id, severity }) => ({ id, severity })),
  }),
};

const idAndName = ({ id, name }: { readonly id: string; readonly name: string }) => ({ id, name });
