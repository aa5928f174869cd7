import { mkdirSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import * as z from 'zod';
import { writePng, type Bitmap } from '@kettle/core/files/formats';
import { BadInput, done, MM_PER_INCH } from '@kettle/core/kit/units';
import {
  cellAt,
  plainPanelKernel,
  simulate as run,
  simulationSchema,
  type PanelRun,
} from '@kettle/core/simulation/water';
import { pictureOf, type Painted } from '@kettle/core/simulation/picture';
import { paintKernelFromBuild, panelKernelFromBuild } from '@kettle/kernels/node';
import { jsonCommand } from '../command';

const inputSchema = simulationSchema.extend({
  png: z.string().min(1).optional(),
  pxPerMm: z.number().min(1).max(24).default(8),
  view: z.enum(['dry', 'now']).default('dry'),
  fields: z.string().min(1).optional(),
  kernel: z.enum(['simd', 'plain']).default('simd'),
});

export const simulateCommand = jsonCommand({
  name: 'simulate',
  says: 'water and pigment on a panel, act by act',
  reads: inputSchema,
  answers: 'samples[{atS,probes[{name,filmUm,paperGm2,stage,pigments{code:gm2},lab}]}] balance{…} steps',
  run: ({ png, pxPerMm, view, fields, kernel, ...simulation }) => {
    return done(
      run(simulation, kernel === 'plain' ? plainPanelKernel : panelKernelFromBuild(), (panel, past) => {
        if (png)
          save('png', png, () => writeFileSync(png, writePng(printed({ run: panel, past }, pxPerMm, view))));
        if (fields) saveFields(panel, fields);
      }),
    );
  },
});

/** A panel as a picture of its true size. */
function printed(painted: Painted, pxPerMm: number, look: 'dry' | 'now'): Bitmap {
  const { columns, rows, rgba } = pictureOf(painted, paintKernelFromBuild(), { pxPerMm, look });
  return {
    width: columns,
    height: rows,
    rgb: Uint8Array.from({ length: 3 * columns * rows }, (_, i) => rgba[4 * Math.floor(i / 3) + (i % 3)]),
    dpi: MM_PER_INCH * pxPerMm,
  };
}

/** Film, paper and each pigment as little-endian Float32, row by row, and what they mean. */
function saveFields({ panel, pigments }: PanelRun, folder: string): void {
  const { columns, rows, cells, cellMm, film, paper, suspended, deposited } = panel;
  const field = (at: (cell: number) => number): Uint8Array => {
    const view = new DataView(new ArrayBuffer(columns * rows * 4));
    for (let row = 0; row < rows; row++)
      for (let column = 0; column < columns; column++)
        view.setFloat32((row * columns + column) * 4, at(cellAt(panel, column, row)), true);
    return new Uint8Array(view.buffer);
  };
  const files: [string, Uint8Array | string][] = [
    ['film.f32', field((cell) => film[cell])],
    ['paper.f32', field((cell) => paper[cell])],
    ...pigments.map(({ code }, i): [string, Uint8Array] => [
      `${code.replaceAll(':', '_')}.f32`,
      field((cell) => suspended[i * cells + cell] + deposited[i * cells + cell]),
    ]),
    ['meta.json', JSON.stringify({ columns, rows, cellMm })],
  ];
  save('fields', folder, () => {
    mkdirSync(folder, { recursive: true });
    for (const [name, bytes] of files) writeFileSync(join(folder, name), bytes);
  });
}

/** Writes where the input asks for it; a place that cannot be written is the input's fault. */
function save(field: string, path: string, write: () => void): void {
  try {
    write();
  } catch (cause) {
    throw new BadInput(
      field,
      `${path} cannot be written (${(cause as NodeJS.ErrnoException).code ?? String(cause)})`,
    );
  }
}
