export const ROOT: string;
export const HASHED: RegExp;
export function allFiles(): string[];
export function withImports(names: readonly string[]): Set<string>;
export function namedByPage(): string[];
