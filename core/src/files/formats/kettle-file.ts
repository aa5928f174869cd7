import { strFromU8, strToU8, zipSync } from 'fflate';
import { parse as parseTolerantly, type ParseError } from 'jsonc-parser';
import type { Plan } from '../../document/plan';
import { BadInput } from '../../kit/units';
import { readPlan } from '../../document/versions';
import { CARD_LIMITS, DEEPEST, MOST_CHARACTERS, mustOpenAgain } from './limits';
import { readZip } from './zip';

/** A card as a file: its plan and whatever pictures go with it. */
export interface KettleFile {
  readonly plan: Plan;
  readonly attachments: Readonly<Record<string, Uint8Array>>;
}

/** A card as it was read from a file. */
export interface OpenedFile extends KettleFile {
  /** Pictures of the plan whose content is not in the file, by the painter's name for them. */
  readonly missing: readonly string[];
  /** What was in the file and belongs to no picture of the plan: it is not read. */
  readonly leftOut: readonly string[];
}

const PLAN_NAME = 'plan.json';
const ATTACHMENTS = 'attachments/';

/** A fixed date in the zip, so that the same plan gives the same bytes. */
const ZIP_DATE = new Date('2000-01-01T00:00:00');

/** Packs a card as a `.kettle` file: a zip with `plan.json` and `attachments/`. Throws `BadInput` for more than could be opened again. */
export function writeKettleFile({ plan, attachments }: KettleFile): Uint8Array {
  const entries: Record<string, Uint8Array> = { [PLAN_NAME]: strToU8(JSON.stringify(plan, null, 1)) };
  for (const [name, bytes] of Object.entries(attachments)) entries[ATTACHMENTS + name] = bytes;
  mustOpenAgain(Object.values(entries), CARD_LIMITS);
  return zipSync(entries, { mtime: ZIP_DATE });
}

/** Opens a `.kettle` file. Throws `BadInput` that names what is damaged, foreign, newer or too large. */
export function readKettleFile(bytes: Uint8Array): OpenedFile {
  const entries = readZip(bytes, CARD_LIMITS);
  const text = entries.get(PLAN_NAME);
  if (!text) throw new BadInput(PLAN_NAME, 'is missing: this is not a .kettle file');
  const plan = readPlan(parseJson(strFromU8(text), PLAN_NAME));
  const attachments: Record<string, Uint8Array> = {};
  const missing: string[] = [];
  for (const { name, file } of plan.pictures) {
    const content = entries.get(ATTACHMENTS + file);
    if (content) attachments[file] = content;
    else missing.push(name);
  }
  const known = new Set([PLAN_NAME, ...Object.keys(attachments).map((file) => ATTACHMENTS + file)]);
  const leftOut = [...entries.keys()].filter((name) => !known.has(name) && !name.endsWith('/'));
  return { plan, attachments, missing, leftOut };
}

/**
 * Parses JSON. Throws `BadInput` on `field` with the position of the fault, or where the text is longer, or nested deeper, than
 * any of ours.
 */
export function parseJson(text: string, field: string): unknown {
  if (text.length > MOST_CHARACTERS)
    throw new BadInput(field, `is longer than ${MOST_CHARACTERS / 1e6} million characters`);
  if (depthOf(text) > DEEPEST) throw new BadInput(field, `is nested more than ${DEEPEST} deep`);
  try {
    return JSON.parse(text);
  } catch (cause) {
    if (!(cause instanceof SyntaxError)) throw cause;
    // The engine's own message does not always say where; the tolerant parser does.
    const faults: ParseError[] = [];
    parseTolerantly(text, faults, { disallowComments: true });
    const position = faults[0]?.offset ?? text.length;
    const line = text.slice(0, position).split('\n').length;
    throw new BadInput(field, `broken JSON at position ${position} (line ${line})`);
  }
}

const [QUOTE, BACKSLASH] = [34, 92];
const OPENING = new Set([91, 123]);
const CLOSING = new Set([93, 125]);

/** How deep lists and objects of a JSON text lie within each other: parsers take a turn of the stack for each. */
function depthOf(text: string): number {
  let [depth, deepest, quoted] = [0, 0, false];
  for (let i = 0; i < text.length; i++) {
    const code = text.charCodeAt(i);
    if (code === QUOTE) quoted = !quoted;
    else if (quoted && code === BACKSLASH) i++;
    else if (!quoted && OPENING.has(code)) deepest = Math.max(deepest, ++depth);
    else if (!quoted && CLOSING.has(code)) depth--;
  }
  return deepest;
}
