import { chromaOf, hueApart, hueName, hueOf, type Lab } from '../../kit/colour';
import type { Paper } from '../paper';
import { glazeLab } from './glaze';
import { pigmentLoads, REFERENCE_FILM_UM, type Mix, type MixPart } from './mix';
import { GREY_CHROMA } from './mud';

/** Mixtures looked at between two washes, from one to the other. */
const STEPS = 9;

/** A hue so far from both washes is a colour of its own, degrees; greyer than `GREY_CHROMA` it has no hue. */
const OWN_HUE = 30;

/** Where two wet washes run into each other: nothing new, a third colour, or a grey where opposites meet. */
export interface Meeting {
  readonly kind: 'none' | 'third' | 'grey';
  /** The colour that appears: the one furthest in hue from both, or the greyest. */
  readonly lab: Lab;
  /** In a word: “green”, “grey”. */
  readonly word: string;
  /** How much of it is the second wash, 0…1. */
  readonly share: number;
}

/** What appears between two washes that meet wet, dried on this paper. Both mixes keep their strength and film. */
export function meetingOf(one: Mix, other: Mix, paper: Paper): Meeting {
  const between = Array.from({ length: STEPS }, (_, i) => (i + 1) / (STEPS + 1)).map((share) => ({
    share,
    lab: glazeLab(paper, [blend(one, other, share)]),
  }));
  const ends = [glazeLab(paper, [one]), glazeLab(paper, [other])];
  const bothColoured = ends.every((lab) => chromaOf(lab) >= GREY_CHROMA);
  const greyest = between.reduce((a, b) => (chromaOf(b.lab) < chromaOf(a.lab) ? b : a));
  if (bothColoured && chromaOf(greyest.lab) < GREY_CHROMA) return { kind: 'grey', word: 'grey', ...greyest };
  const strangeness = ({ lab }: { lab: Lab }): number =>
    chromaOf(lab) < GREY_CHROMA ? 0 : Math.min(...ends.map((end) => hueApart(lab, end)));
  const strangest = between.reduce((a, b) => (strangeness(b) > strangeness(a) ? b : a));
  const third = bothColoured && strangeness(strangest) >= OWN_HUE;
  return { kind: third ? 'third' : 'none', word: hueName(hueOf(strangest.lab)), ...strangest };
}

/** Two washes run together, `share` of the second: what each would leave there, as one film. */
function blend(one: Mix, other: Mix, share: number): Mix {
  const laid = (mix: Mix, part: number): MixPart[] =>
    pigmentLoads(mix).map((load, i) => {
      const { pigment } = mix.parts[i];
      return { pigment, parts: (part * load) / pigment.masstoneLoadGm2 };
    });
  const parts = [...laid(one, 1 - share), ...laid(other, share)];
  // Parts here are masstone films; their sum at the reference film is the strength that gives these loads.
  return { parts, strength: parts.reduce((sum, { parts: n }) => sum + n, 0), filmUm: REFERENCE_FILM_UM };
}
