export { waysOfKeeping, type WayOfKeeping } from './keeping';
