import fc from 'fast-check';

/** Everyday runs draw the same cases each time; the long evidence sets other seeds. */
fc.configureGlobal({ seed: Number(process.env['SEED'] ?? 20_261_127) });
