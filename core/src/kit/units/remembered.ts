/**
 * Keeps what was found of a thing by a key, as long as that very thing is there: plans change by parts, and what hangs on a part
 * that is as it was need not be found again.
 */
export function remembered<Value>(): (of: object, key: string, find: () => Value) => Value {
  const all = new WeakMap<object, Map<string, { readonly value: Value }>>();
  return (of, key, find) => {
    const known = all.get(of) ?? new Map<string, { readonly value: Value }>();
    all.set(of, known);
    const found = known.get(key) ?? { value: find() };
    known.set(key, found);
    return found.value;
  };
}
