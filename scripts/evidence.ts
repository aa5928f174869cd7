// Puts the figures of docs/measurements into README and docs: the table of evidence, and every figure that names its source.
import { readdirSync, readFileSync, writeFileSync } from 'node:fs';
import { pathToFileURL } from 'node:url';
import type { EffectFigures } from './measure/effects';
import type { Evidence } from './measure/limits';

const MEASUREMENTS = 'docs/measurements';

/** Lines of a text that are written here, between `<!-- name begins -->` and `<!-- name ends -->`. */
function betweenMarks(text: string, name: string, lines: () => string): string {
  const begins = `<!-- ${name} begins -->`;
  const [from, to] = [text.indexOf(begins), text.indexOf(`<!-- ${name} ends -->`)];
  return from < 0 ? text : `${text.slice(0, from)}${begins}\n${lines()}\n${text.slice(to)}`;
}

/** A figure in a text and where it comes from: `7.3 %<!-- flat-wash.worst × 100 -->`, with as many decimals as stand there. */
const FIGURE = /(-?\d[\d,]*(?:\.(\d+))?)( ?%| s| ms)?<!-- ([a-z-]+)\.([^<>×]+?)(?: × ([\d.]+))? -->/g;

/** The table of evidence: a row a measure, and each bound that does not hold by its name. */
export function evidenceTable(rows: readonly Evidence[]): string {
  const measures = [...new Set(rows.map(({ measure }) => measure))];
  const line = (measure: string): string => {
    const own = rows.filter((row) => row.measure === measure);
    const red = own.filter(({ holds }) => !holds);
    const said = red.map(({ what, figure, bound }) => `**${what}** ${shown(figure)}, asked ${bound}`);
    return `| ${measure} | ${own.length - red.length} of ${own.length} | ${said.join('; ')} |`;
  };
  return ['| measure | bounds that hold | red |', '| --- | --- | --- |', ...measures.map(line)].join('\n');
}

/** Effects of wet paper, each with its band, its mean over the sheets, and whether it lies in its band on all of them. */
export function effectsTable(effects: Readonly<Record<string, EffectFigures>>): string {
  const band = ({ from, to }: EffectFigures): string =>
    from === undefined ? `≤ ${to}` : to === undefined ? `≥ ${from}` : `${from}–${to}`;
  const line = ([name, figures]: [string, EffectFigures]): string => {
    const missed = figures.holds
      ? ''
      : ` (${shown(figures.least)} to ${shown(figures.most)}) **not yet modelled**`;
    return `| ${name} | ${band(figures)} | ${Number(figures.mean.toPrecision(3))}${missed} |`;
  };
  return ['| effect | band | mean |', '| --- | --- | --- |', ...Object.entries(effects).map(line)].join('\n');
}

const shown = (figure: number | null): string =>
  figure === null ? 'missing' : String(Number(figure.toPrecision(4)));

/** A text with its table and figures as they were measured. Throws where a figure names what is not there. */
export function withEvidence(
  text: string,
  rows: readonly Evidence[],
  figureOf: (file: string, name: string) => number,
): string {
  return betweenMarks(text, 'evidence', () => evidenceTable(rows)).replace(
    FIGURE,
    (
      _,
      __: string,
      decimals: string | undefined,
      unit: string | undefined,
      file: string,
      name: string,
      times: string | undefined,
    ) => {
      const figure = figureOf(file, name) * Number(times ?? 1);
      const by = times === undefined ? '' : ` × ${times}`;
      return `${figure.toFixed(decimals?.length ?? 0)}${unit ?? ''}<!-- ${file}.${name}${by} -->`;
    },
  );
}

export function measuredRows(): Evidence[] {
  return JSON.parse(readFileSync(`${MEASUREMENTS}/summary.json`, 'utf8')) as Evidence[];
}

export function measuredEffects(): Record<string, EffectFigures> {
  const { effects } = JSON.parse(readFileSync(`${MEASUREMENTS}/effects.json`, 'utf8')) as {
    effects: Record<string, EffectFigures>;
  };
  return effects;
}

export function measuredFigure(file: string, name: string): number {
  const figures = JSON.parse(readFileSync(`${MEASUREMENTS}/${file}.json`, 'utf8')) as Record<string, unknown>;
  const figure = figures[name];
  if (typeof figure !== 'number') throw new Error(`${file}.json has no figure “${name}”`);
  return figure;
}

/** A text with all its tables and figures as they stand in docs/measurements. */
export const withMeasurements = (text: string): string =>
  betweenMarks(withEvidence(text, measuredRows(), measuredFigure), 'effects', () =>
    effectsTable(measuredEffects()),
  );

/** Texts that tell figures. */
export const TEXTS = [
  'README.md',
  ...readdirSync('docs')
    .filter((name) => name.endsWith('.md'))
    .map((name) => `docs/${name}`),
];

if (import.meta.url === pathToFileURL(process.argv[1]).href)
  for (const name of TEXTS) writeFileSync(name, withMeasurements(readFileSync(name, 'utf8')));
