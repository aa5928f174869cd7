export {
  DISH_HOLDS,
  dishLayout,
  onRim,
  radiusOf,
  strengthFromMiddle,
  WELL_APART,
  type DishLayout,
  type Poured,
  type SetOut,
} from './layout';
export {
  CHART_PARTS,
  CHART_STRENGTH,
  glazeChart,
  mixingChart,
  TINT_STRENGTHS,
  tintChart,
  type PairRow,
} from './charts';
export { blended, coloursFor, moodSchema, moodsIn, SCHEMES, type Mood, type SchemeId } from './mood';
export { suggestPalettes, type Suggestion } from './suggestion';
