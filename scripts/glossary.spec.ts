import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import ts from 'typescript';
import { expect, it } from 'vitest';

const FOLDERS = ['core/src', 'kernels/src', 'app/src', 'server/src', 'cli/src'];
/** One thing for two platforms has one name. */
const TWINS = [/^loadLineKernel$/, /^loadPaintKernel$/];

/** Where each exported name is declared. */
function exportedNames(): Map<string, string[]> {
  const places = new Map<string, string[]>();
  for (const folder of FOLDERS)
    for (const { name, parentPath } of readdirSync(folder, { recursive: true, withFileTypes: true })) {
      if (!name.endsWith('.ts') || name.endsWith('.spec.ts')) continue;
      const path = join(parentPath, name);
      const file = ts.createSourceFile(path, readFileSync(path, 'utf8'), ts.ScriptTarget.Latest);
      for (const declared of file.statements.flatMap(namesOf))
        places.set(declared, [...new Set([...(places.get(declared) ?? []), path])]);
    }
  return places;
}

function namesOf(statement: ts.Statement): string[] {
  const isExported =
    ts.canHaveModifiers(statement) &&
    ts.getModifiers(statement)?.some(({ kind }) => kind === ts.SyntaxKind.ExportKeyword);
  if (!isExported) return [];
  if (ts.isVariableStatement(statement))
    return statement.declarationList.declarations.flatMap(({ name }) =>
      ts.isIdentifier(name) ? [name.text] : [],
    );
  const named = statement as ts.Statement & { readonly name?: ts.Identifier };
  return named.name ? [named.name.text] : [];
}

const names = exportedNames();

it('no exported name stands for two things', () => {
  const twice = [...names].filter(
    ([name, places]) => places.length > 1 && !TWINS.some((twin) => twin.test(name)),
  );
  expect(Object.fromEntries(twice)).toEqual({});
});

it('every name in the glossary is exported', () => {
  const rows = readFileSync('docs/glossary.md', 'utf8')
    .split('\n')
    .filter((line) => line.startsWith('| '));
  const said = rows.flatMap((row) => [...row.split('|')[3].matchAll(/`(\w+)`/g)].map(([, name]) => name));
  expect(said.length).toBeGreaterThan(60);
  expect(said.filter((name) => !names.has(name))).toEqual([]);
});

it('no word stands twice in the glossary', () => {
  const rows = readFileSync('docs/glossary.md', 'utf8').matchAll(/^\| ([^|]+) \|/gm);
  const words = [...rows].map(([, word]) => word).filter((word) => word !== 'word' && word !== '---');
  expect(new Set(words).size).toBe(words.length);
});
