export { paperSchema, type Paper } from './paper';
export { PAPERS, paperById } from './library';
export { paperReflectance } from './white';
