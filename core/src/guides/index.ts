export { guideSchema, type Guide, type GuideKind } from './guide';
export { ellipseLine, guideLines } from './draw-guide';
export {
  disagreeing,
  eyeLevelOf,
  isEllipse,
  meantEllipse,
  rimEllipse,
  type Disagreeing,
  type Ellipse,
  type Sight,
} from './eye-level';
