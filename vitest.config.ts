import { fileURLToPath } from 'node:url';
import { defineConfig } from 'vitest/config';

const here = (path: string): string => fileURLToPath(new URL(path, import.meta.url));

/** The same names the apps and the compiler use; a face is a folder's index. */
const alias = [
  { find: /^@kettle\/core\/(.+)$/, replacement: `${here('./core/src/')}$1/index.ts` },
  { find: '@kettle/kernels/node', replacement: here('./kernels/src/load-node.ts') },
  { find: '@kettle/server', replacement: here('./server/src/server.ts') },
  { find: '@kettle/cli', replacement: here('./cli/src/run.ts') },
];

/** Journeys that look at the clock: nothing else may run beside them. */
const TIMED = [
  'full-rack',
  'colour-drag',
  'peg-drag',
  'painting-speed',
  'simulation',
  'table-clock',
  'weight',
  'many-cards',
].map((name) => `e2e/${name}.spec.ts`);

/** Journeys on a machine that fails: no network, a disk that is full or silent, dead workers, several tabs. They take minutes. */
const FAILING = ['storage', 'renewal', 'offline', 'two-tabs', 'workers'].map((name) => `e2e/${name}.spec.ts`);

export default defineConfig({
  resolve: { alias },
  test: {
    projects: [
      {
        resolve: { alias },
        test: {
          name: 'unit',
          include: ['{core,kernels,cli,server,scripts}/**/*.spec.ts'],
          setupFiles: ['scripts/property-seed.ts'],
          // The core keeps nothing between tests, so files may share what one has loaded.
          isolate: false,
          testTimeout: 30_000,
        },
      },
      {
        resolve: { alias },
        test: {
          name: 'app',
          include: ['app/src/**/*.spec.ts'],
          setupFiles: ['app/src/testing/setup.ts'],
          isolate: false,
          testTimeout: 30_000,
        },
      },
      {
        resolve: { alias },
        test: {
          name: 'e2e',
          include: ['e2e/**/*.spec.ts'],
          exclude: [...TIMED, ...FAILING],
          isolate: false,
          testTimeout: 120_000,
          hookTimeout: 120_000,
        },
      },
      {
        resolve: { alias },
        test: {
          name: 'failing',
          include: FAILING,
          testTimeout: 120_000,
          hookTimeout: 120_000,
        },
      },
      {
        resolve: { alias },
        test: {
          name: 'timed',
          include: TIMED,
          testTimeout: 120_000,
          hookTimeout: 120_000,
          fileParallelism: false,
          maxWorkers: 1,
        },
      },
    ],
  },
});
