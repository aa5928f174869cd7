import { hexOf, labOfHex, labSchema, type Lab } from '@kettle/core/kit/colour';
import {
  cautionFor,
  consistencyOf,
  glazeLab,
  pigmentCard,
  REFERENCE_FILM_UM,
  waterPerPaint,
  type MatchedMix,
  type Pigment,
} from '@kettle/core/materials/pigment';
import type { Paper } from '@kettle/core/materials/paper';
import { laidMix, planPaper, type Plan, type PlannedMix } from '@kettle/core/document/plan';

/** A mix as it lies in the dish and as it dries. */
export interface MixLook {
  readonly mix: PlannedMix;
  readonly wet: string;
  readonly dry: string;
  readonly parts: string;
  readonly water: string;
  readonly shift: string;
}

/** Every mix of the plan on its paper, wet and dry. */
export function mixLooks(plan: Plan): MixLook[] {
  const paper = planPaper(plan);
  return plan.mixes.map((mix) => {
    const laid = laidMix(plan, mix, REFERENCE_FILM_UM);
    const [wet, dry] = [glazeLab(paper, [laid], 1), glazeLab(paper, [laid])];
    return {
      mix,
      wet: hexOf(wet),
      dry: hexOf(dry),
      parts: laid.parts.map(({ pigment, parts }) => `${parts} ${pigment.name}`).join(' : '),
      water: `${consistencyOf(mix.strength)}, ${waterInWords(mix.strength)}`,
      shift: `dries ${Math.round(dry[0] - wet[0])} L* paler`,
    };
  });
}

/** Water to paint, in volumes. */
export function waterInWords(strength: number): string {
  const water = waterPerPaint(strength);
  if (water < 0.05) return 'no water';
  return `${water < 3 ? water.toFixed(1) : Math.round(water)} water to 1 paint`;
}

/** A pigment to choose from, with its own look and its caution. */
export interface PigmentChoice {
  readonly code: string;
  readonly label: string;
  readonly hex: string;
}

/** Pigments as they look at half strength on this paper, what is hazardous marked. */
export function pigmentChoices(
  plan: Plan,
  pigments: readonly Pigment[],
  called: (pigment: Pigment) => string,
): PigmentChoice[] {
  const paper = planPaper(plan);
  return pigments.map((pigment) => ({
    code: pigment.code,
    label: `${called(pigment)} · ${pigment.code}${cautionFor(pigment) === null ? '' : ' · with care'}`,
    hex: hexOf(
      glazeLab(paper, [{ parts: [{ pigment, parts: 1 }], strength: 0.4, filmUm: REFERENCE_FILM_UM }]),
    ),
  }));
}

/** A pigment in a line: how it covers, stains and settles, and whose its spectra are. */
export function factsInWords(pigment: Pigment, paper: Paper): string {
  const { transparency, staining, granulation } = pigmentCard(pigment, paper);
  return `${capital(transparency)}, ${staining}, ${granulation}; ${pigment.origin}.`;
}

const capital = (text: string): string => text.charAt(0).toUpperCase() + text.slice(1);

/** Cautions for the pigments of a mix, each once. */
export const cautionsOf = (pigments: readonly Pigment[]): string[] => [
  ...new Set(pigments.map(cautionFor).filter((caution) => caution !== null)),
];

/** A found recipe in words: parts, water, and how near it comes. */
export function recipeInWords({ parts, strength, deltaE00, reachable, missing }: MatchedMix): string {
  const what = parts.map(({ pigment, parts: n }) => `${n} ${pigment.name}`).join(' : ');
  const near = reachable
    ? `ΔE ${deltaE00.toFixed(1)}`
    : `out of reach, ΔE ${deltaE00.toFixed(1)}: it should be ${missing!.words}`;
  return `${what}, ${waterInWords(strength)}; ${near}.`;
}

/** A colour for the colour field. */
export const hexOfLab = (lab: Lab | null): string => (lab ? hexOf(lab) : '#8c9aa8');

/** A colour as it is typed: `#rrggbb` with or without its sign, or L*, a*, b* as three numbers; `null` for anything else. */
export function labTyped(text: string): Lab | null {
  const hex = /^#?([0-9a-f]{6})$/i.exec(text.trim());
  if (hex) return labOfHex(`#${hex[1]}`);
  const numbers = text
    .trim()
    .split(/[\s;]+|,\s+/)
    .map((part) => (part === '' ? Number.NaN : Number(part.replace('−', '-'))));
  const read = labSchema.safeParse(numbers);
  return read.success ? read.data : null;
}
