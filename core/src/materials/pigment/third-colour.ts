import { chromaOf, colourName, hueApart, type Lab } from '../../kit/colour';
import type { Paper } from '../paper';
import { glazeLab } from './glaze';
import { pigmentLoads, REFERENCE_FILM_UM, type Mix, type MixPart } from './mix';
import { GREY_CHROMA, isGrey } from './mud';

/** Mixtures looked at between two washes, from one to the other. */
const STEPS = 9;

/** A hue so far from both washes is a colour of its own, degrees; a grey has no hue. */
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
  const shares = Array.from({ length: STEPS }, (_, i) => (i + 1) / (STEPS + 1));
  const between = shares.map((share) => ({
    share,
    lab: glazeLab(paper, [blend([one, other], [1 - share, share])]),
  }));
  return strangest([one, other], between, paper);
}

/** Of three washes that meet, the shares looked at: alike, and one in excess. */
const OF_THREE: readonly (readonly [number, number, number])[] = [
  [1 / 3, 1 / 3, 1 / 3],
  [1 / 2, 1 / 4, 1 / 4],
  [1 / 4, 1 / 2, 1 / 4],
  [1 / 4, 1 / 4, 1 / 2],
];

/** The same where three meet at one place. */
export function meetingOfThree(mixes: readonly [Mix, Mix, Mix], paper: Paper): Meeting {
  const between = OF_THREE.map((shares) => ({
    share: shares[1],
    lab: glazeLab(paper, [blend(mixes, shares)]),
  }));
  return strangest(mixes, between, paper);
}

/** Of mixtures the greyest, where that is a grey no wash is; else the one furthest in hue from all washes. */
function strangest(
  washes: readonly Mix[],
  between: readonly { readonly share: number; readonly lab: Lab }[],
  paper: Paper,
): Meeting {
  const [bareL] = glazeLab(paper, []);
  const ends = washes.map((wash) => glazeLab(paper, [wash]));
  const allColoured = !ends.some((lab) => isGrey(lab, bareL));
  const greyest = between.reduce((a, b) => (chromaOf(b.lab) < chromaOf(a.lab) ? b : a));
  if (allColoured && isGrey(greyest.lab, bareL)) return { kind: 'grey', word: 'grey', ...greyest };
  const strangeness = ({ lab }: { lab: Lab }): number =>
    isGrey(lab, bareL) ? 0 : Math.min(...ends.map((end) => hueApart(lab, end)));
  const most = between.reduce((a, b) => (strangeness(b) > strangeness(a) ? b : a));
  // Of pale washes a third colour is as pale: nobody sees it.
  const third = ends.every((lab) => chromaOf(lab) >= GREY_CHROMA) && strangeness(most) >= OWN_HUE;
  return { kind: third ? 'third' : 'none', word: colourName(most.lab), ...most };
}

/** Washes run together in some shares: what each would leave there, as one film. */
function blend(washes: readonly Mix[], shares: readonly number[]): Mix {
  const parts = washes.flatMap((mix, k) =>
    pigmentLoads(mix).map((load, i): MixPart => {
      const { pigment } = mix.parts[i];
      return { pigment, parts: (shares[k] * load) / pigment.masstoneLoadGm2 };
    }),
  );
  // Parts here are masstone films; their sum at the reference film is the strength that gives these loads.
  return { parts, strength: parts.reduce((sum, { parts: n }) => sum + n, 0), filmUm: REFERENCE_FILM_UM };
}
