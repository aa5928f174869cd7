import type { Linter } from 'eslint';

declare const config: Linter.Config[];
export default config;
