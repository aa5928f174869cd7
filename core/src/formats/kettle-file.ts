import { strFromU8, strToU8, unzipSync, zipSync } from 'fflate';
import { parse as parseTolerantly, type ParseError } from 'jsonc-parser';
import type { Plan } from '../plan';
import { BadInput } from '../units';
import { readPlan } from '../versions';

/** A card as a file: its plan and whatever pictures go with it. */
export interface KettleFile {
  readonly plan: Plan;
  readonly attachments: Readonly<Record<string, Uint8Array>>;
}

const PLAN_NAME = 'plan.json';
const ATTACHMENTS = 'attachments/';

/** No single entry of a file may unpack to more, bytes: beyond it a small file could fill the memory. */
const LARGEST_ENTRY = 64 * 1024 * 1024;

/** A fixed date in the zip, so that the same plan gives the same bytes. */
const ZIP_DATE = new Date('2000-01-01T00:00:00');

/** Packs a card as a `.kettle` file: a zip with `plan.json` and `attachments/`. */
export function writeKettleFile({ plan, attachments }: KettleFile): Uint8Array {
  const entries: Record<string, Uint8Array> = { [PLAN_NAME]: strToU8(JSON.stringify(plan, null, 1)) };
  for (const [name, bytes] of Object.entries(attachments)) entries[ATTACHMENTS + name] = bytes;
  return zipSync(entries, { mtime: ZIP_DATE });
}

/** Opens a `.kettle` file. Throws `BadInput` that names what is damaged, foreign or newer. */
export function readKettleFile(bytes: Uint8Array): KettleFile {
  const entries = unzip(bytes);
  const text = entries[PLAN_NAME] as Uint8Array | undefined;
  if (!text) throw new BadInput(PLAN_NAME, 'is missing: this is not a .kettle file');
  const attachments: Record<string, Uint8Array> = {};
  for (const [name, content] of Object.entries(entries))
    if (name.startsWith(ATTACHMENTS)) attachments[name.slice(ATTACHMENTS.length)] = content;
  return { plan: readPlan(parseJson(strFromU8(text), PLAN_NAME)), attachments };
}

function unzip(bytes: Uint8Array): Record<string, Uint8Array> {
  try {
    return unzipSync(bytes, {
      filter: ({ name, originalSize }) => {
        if (originalSize > LARGEST_ENTRY) throw new BadInput(name, 'is larger than 64 MB unpacked');
        return true;
      },
    });
  } catch (cause) {
    if (cause instanceof BadInput) throw cause;
    throw new BadInput('file', 'is damaged, or not a .kettle file: it cannot be unpacked');
  }
}

/** Parses JSON; throws `BadInput` on `field` with the position of the fault. */
export function parseJson(text: string, field: string): unknown {
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
