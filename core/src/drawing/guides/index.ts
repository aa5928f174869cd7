export { guideSchema, type Guide, type GuideKind } from './guide';
export { guideLines } from './draw-guide';
export {
  disagreeing,
  isEllipse,
  meantEllipse,
  rimEllipse,
  type Disagreeing,
  type Ellipse,
  type Sight,
} from './eye-level';
