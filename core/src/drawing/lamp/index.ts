export {
  FORMS,
  lampSchema,
  LOOKS_DOWN_DEG,
  seen,
  toLamp,
  TO_EYE,
  type Direction,
  type Form,
  type Lamp,
} from './lamp';
export { ballRadius, castShadow } from './cast-shadow';
export { shadingOf, type Shading } from './shading';
