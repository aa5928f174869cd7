import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import ts from 'typescript';
import { expect, it } from 'vitest';

/** A function longer than this says in its docstring why it is in one piece. */
const MOST_LINES = 60;
const REASON = 'In one piece:';
const FOLDERS = ['core/src', 'kernels/src', 'app/src', 'server/src', 'cli/src', 'scripts', 'bench', 'e2e'];

const sources = FOLDERS.flatMap((folder) =>
  readdirSync(folder, { recursive: true, withFileTypes: true })
    .filter(({ name }) => name.endsWith('.ts') && !name.endsWith('.spec.ts'))
    .map(({ parentPath, name }) => join(parentPath, name)),
);

/** Functions of a file that are longer and give no reason, by name and line. */
function unreasoned(path: string, text: string): string[] {
  const file = ts.createSourceFile(path, text, ts.ScriptTarget.Latest, true);
  const found: string[] = [];
  const lineOf = (at: number): number => file.getLineAndCharacterOfPosition(at).line;
  const visit = (node: ts.Node, docstring: string): void => {
    const own = ts.getJSDocCommentsAndTags(node).map((comment) => comment.getText());
    const said = own.length > 0 ? own.join('\n') : docstring;
    if (ts.isFunctionLike(node) && 'body' in node && node.body) {
      const lines = lineOf(node.end) - lineOf(node.getStart()) + 1;
      if (lines > MOST_LINES && !said.includes(REASON))
        found.push(`${path}:${lineOf(node.getStart()) + 1} is ${lines} lines long`);
    }
    ts.forEachChild(node, (child) => {
      visit(child, said);
    });
  };
  visit(file, '');
  return found;
}

it('no function is longer than a page, but for those that say why', () => {
  expect(sources.flatMap((path) => unreasoned(path, readFileSync(path, 'utf8')))).toEqual([]);
});

it('one that is longer is found, and let be for a reason', () => {
  const long = `function long() {\n${'  work();\n'.repeat(MOST_LINES)}}\n`;
  expect(unreasoned('a.ts', long)).toEqual([`a.ts:1 is ${MOST_LINES + 2} lines long`]);
  expect(unreasoned('a.ts', `/** Works. ${REASON} it is a table. */\n${long}`)).toEqual([]);
});
