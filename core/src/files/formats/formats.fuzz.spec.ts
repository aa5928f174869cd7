import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { addPass, smallPlan } from '../../document/plan';
import { BadInput } from '../../kit/units';
import { readPlan } from '../../document/versions';
import { readKettleFile, writeKettleFile } from '.';

const plan = smallPlan(addPass('p1', 'sky', 'blue'), {
  do: 'keep-white',
  white: { id: 'w', area: 'boat', way: 'mask', tool: null, wanted: null, edge: 'hard' },
});
const bytes = writeKettleFile({ plan, attachments: {} });

/** What came of reading: the plan, or the refusal; any other fault fails the test. */
function outcome(read: () => unknown): 'opened' | 'refused' {
  try {
    read();
    return 'opened';
  } catch (cause) {
    if (cause instanceof BadInput) return 'refused';
    throw cause;
  }
}

/** Every place in a JSON value, as the keys that lead to it. */
function placesIn(value: unknown, path: (string | number)[] = []): (string | number)[][] {
  if (typeof value !== 'object' || value === null) return [path];
  return [
    path,
    ...Object.entries(value).flatMap(([key, inner]) =>
      placesIn(inner, [...path, Array.isArray(value) ? Number(key) : key]),
    ),
  ];
}

function replaced(value: unknown, path: readonly (string | number)[], by: unknown): unknown {
  if (path.length === 0) return by;
  const copy = structuredClone(value) as Record<string | number, unknown>;
  let inner = copy;
  for (const key of path.slice(0, -1)) inner = inner[key] as Record<string | number, unknown>;
  inner[path.at(-1)!] = by;
  return copy;
}

const places = placesIn(plan).filter((path) => path.length > 0);

describe('files that something has happened to', () => {
  it('with any bytes changed are refused, or open as a sound plan', () => {
    const change = fc.array(fc.tuple(fc.nat(bytes.length - 1), fc.nat(255)), { minLength: 1, maxLength: 6 });
    fc.assert(
      fc.property(change, (changes) => {
        const hurt = bytes.slice();
        for (const [at, byte] of changes) hurt[at] = byte;
        expect(['opened', 'refused']).toContain(outcome(() => readKettleFile(hurt)));
      }),
      { numRuns: 100 },
    );
  });

  it('cut anywhere are refused', () => {
    for (let length = 0; length < bytes.length; length += 37)
      expect(outcome(() => readKettleFile(bytes.slice(0, length)))).toBe('refused');
  });

  it('with any field turned into something else name that field or one it belongs to', () => {
    const nonsense = fc.constantFrom<unknown>(null, 'nonsense', -1e9, true, [], {}, [[]], 1e300);
    fc.assert(
      fc.property(fc.constantFrom(...places), nonsense, (path, by) => {
        try {
          readPlan(replaced(plan, path, by));
        } catch (cause) {
          if (!(cause instanceof BadInput)) throw cause;
          expect(cause.reason.length).toBeGreaterThan(3);
          expect(cause.reason).not.toContain('\n');
        }
      }),
      { numRuns: 120 },
    );
  });

  it('with an outline that has no ring, or encloses nothing, are refused by its name', () => {
    for (const outline of [
      [],
      [[]],
      [
        [
          [1, 1],
          [1, 1],
          [1, 1],
        ],
      ],
      [
        [
          [1, 1],
          [2, 2],
        ],
      ],
    ])
      expect(() => readPlan(replaced(plan, ['areas', 0, 'outline'], outline))).toThrow(
        /^areas\[0\]\.outline/,
      );
  });

  it('with any required field taken out are refused by the name of that field', () => {
    const document = JSON.parse(JSON.stringify(plan)) as Record<string, unknown>;
    for (const key of Object.keys(document)) {
      if (key === 'format' || key === 'version') continue;
      const without = { ...document };
      Reflect.deleteProperty(without, key);
      expect(() => readPlan(without)).toThrow(new RegExp(`^${key}: is missing$`));
    }
  });
});
