const PAGE_BYTES = 65536;
/** Vectors of four floats are read fastest from such addresses. */
const ALIGNED = 16;

/** Where named arrays stand in a module's memory, in bytes, and a way to write floats there. */
export interface Reserved<Name extends string> {
  readonly at: Readonly<Record<Name, number>>;
  readonly floats: (address: number, values: Float32Array) => void;
}

/** Lays arrays of given sizes (bytes) one after another from address `base`, growing the memory if need be. */
export function reserve<Name extends string>(
  memory: WebAssembly.Memory,
  sizes: Readonly<Record<Name, number>>,
  base: number,
): Reserved<Name> {
  const at: Partial<Record<Name, number>> = {};
  let end = Math.ceil(base / ALIGNED) * ALIGNED;
  for (const [name, size] of Object.entries(sizes) as [Name, number][]) {
    at[name] = end;
    end += Math.ceil(size / ALIGNED) * ALIGNED;
  }
  if (end > memory.buffer.byteLength) memory.grow(Math.ceil((end - memory.buffer.byteLength) / PAGE_BYTES));
  return {
    at: at as Record<Name, number>,
    floats: (address, values) => {
      new Float32Array(memory.buffer, address, values.length).set(values);
    },
  };
}
