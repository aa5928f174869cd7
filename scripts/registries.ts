// Puts what checks, techniques, chores and media say of themselves into docs: `npm run registries`.
import { readFileSync, writeFileSync } from 'node:fs';
import { pathToFileURL } from 'node:url';
import { CHECKS } from '@kettle/core/advice/checks';
import {
  CHORES,
  choreOf,
  TECHNIQUES,
  techniqueOf,
  type Act,
  type TechniqueWindow,
} from '@kettle/core/document/plan';
import { EVERYDAY, MISTAKEN } from '../core/src/testing/everyday-plans';
import { formatSpan } from '@kettle/core/kit/units';
import { MEDIA } from '@kettle/core/materials/pigment';

const table = (heads: readonly string[], rows: readonly (readonly string[])[]): string =>
  [heads, heads.map(() => '---'), ...rows].map((cells) => `| ${cells.join(' | ')} |`).join('\n');

const checks = (): string =>
  table(
    ['id', 'name', 'weight', 'found when', 'number from'],
    CHECKS.map(({ id, name, severity, when, source }) => [`\`${id}\``, name, severity, when, source]),
  );

const windowInWords = ({ from, until }: TechniqueWindow): string =>
  `${from === 'laid' ? 'as soon as it is wet' : `from ${from}`} until ${until === 'early-damp' ? 'the first third of damp is over' : until}`;

const techniques = (): string =>
  table(
    ['id', 'name', 'water, µm', 'mm² a second', 'covers', 'begins', 'advice'],
    TECHNIQUES.map(({ id, name, filmUm, coverageMm2S, covers, start, window, advice }) => [
      ...[`\`${id}\``, name, String(filmUm), String(coverageMm2S), `${100 * covers} %`],
      ...[window ? windowInWords(window) : start === 'dry' ? 'on dry paper' : 'on wet paper', advice],
    ]),
  );

const chores = (): string =>
  table(
    ['id', 'name', 'hands on', 'then waits', 'begins', 'asked before'],
    CHORES.map(({ id, name, handsS, waitS, needsDry, needsMatt, gate }) => [
      ...[`\`${id}\``, name, formatSpan(handsS), waitS === 0 ? '' : formatSpan(waitS)],
      ...[needsDry ? 'when all is dry' : needsMatt ? 'when the sheen is gone' : 'at once'],
      gate ? `${gate.test}: ${gate.question}` : '',
    ]),
  );

const media = (): string =>
  table(
    ['id', 'name', 'body', 'wetted again'],
    MEDIA.map(({ id, name, body, waterfast }) => [
      ...[`\`${id}\``, name, String(body)],
      waterfast ? 'holds' : 'comes up',
    ]),
  );

const everyday = (): string =>
  table(
    ['what a painter does', 'acts'],
    EVERYDAY.map(({ does, plan }) => [does, plan.acts.flatMap(actInWords).join('; ')]),
  );

const actInWords = (act: Act): string[] => {
  if (act.kind === 'pass') return [techniqueOf(act.technique).name];
  const { finishing, does, name } = choreOf(act.chore);
  return does !== undefined && does !== 'tapes' && does !== 'untapes' && (!finishing || does === 'unmasks')
    ? [name.toLowerCase()]
    : [];
};

const mistaken = (): string =>
  table(
    ['the mistake', 'found by'],
    MISTAKEN.map(({ does, found }) => [does, `\`${found}\``]),
  );

/** What stands where: the name of the place in the file, and what is put there. */
const PLACES: Readonly<Record<string, Readonly<Record<string, () => string>>>> = {
  'docs/checks.md': { checks },
  'docs/everyday.md': { everyday, mistaken },
  'docs/techniques.md': { techniques, chores, media },
};

/** A text with each of its marked places filled. Throws where a mark is missing. */
export function withRegistries(text: string, places: Readonly<Record<string, () => string>>): string {
  return Object.entries(places).reduce((filled, [name, says]) => {
    const [begins, ends] = [`<!-- ${name} begin -->`, `<!-- ${name} end -->`];
    const [from, to] = [filled.indexOf(begins), filled.indexOf(ends)];
    if (from < 0 || to < from) throw new Error(`no place is marked for ${name}`);
    return `${filled.slice(0, from)}${begins}\n${says()}\n${filled.slice(to)}`;
  }, text);
}

/** The files and what they should say. */
export const registryFiles = (): {
  readonly path: string;
  readonly says: string;
  readonly should: string;
}[] =>
  Object.entries(PLACES).map(([path, places]) => {
    const says = readFileSync(path, 'utf8');
    return { path, says, should: withRegistries(says, places) };
  });

if (import.meta.url === pathToFileURL(process.argv[1] ?? '').href)
  for (const { path, should } of registryFiles()) writeFileSync(path, should);
