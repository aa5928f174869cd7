export { isCrossed, waysOfKeeping, type WayOfKeeping } from './keeping';
