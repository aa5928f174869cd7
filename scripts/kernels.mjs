// Compiles every kernel in kernels/assembly to wasm, once for Node and once into the app's public files.
import { execFileSync } from 'node:child_process';
import { copyFileSync, mkdirSync } from 'node:fs';

mkdirSync('kernels/build', { recursive: true });
mkdirSync('app/public/kernels', { recursive: true });
for (const name of ['line', 'paint', 'panel']) {
  execFileSync(
    process.execPath,
    [
      'node_modules/assemblyscript/bin/asc.js',
      `kernels/assembly/${name}.ts`,
      ...['-o', `kernels/build/${name}.wasm`, '-O3', '--runtime', 'stub', '--noAssert', '--enable', 'simd'],
    ],
    { stdio: 'inherit' },
  );
  copyFileSync(`kernels/build/${name}.wasm`, `app/public/kernels/${name}.wasm`);
}
