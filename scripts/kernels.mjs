// Compiles kernels/assembly to wasm, once for Node and once into the app's public files.
import { execFileSync } from 'node:child_process';
import { copyFileSync, mkdirSync } from 'node:fs';

mkdirSync('kernels/build', { recursive: true });
mkdirSync('app/public/kernels', { recursive: true });
execFileSync(
  process.execPath,
  [
    'node_modules/assemblyscript/bin/asc.js',
    'kernels/assembly/line.ts',
    ...['-o', 'kernels/build/line.wasm', '-O3', '--runtime', 'stub', '--noAssert', '--enable', 'simd'],
  ],
  { stdio: 'inherit' },
);
copyFileSync('kernels/build/line.wasm', 'app/public/kernels/line.wasm');
