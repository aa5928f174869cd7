/**
 * Keeps what was found of a thing by a key, as long as that very thing is there: plans change by parts, and what hangs on a part
 * that is as it was need not be found again.
 */
export function remembered<Of extends object, Value>(): (of: Of, key: string, find: () => Value) => Value {
  const all = new WeakMap<Of, Map<string, { readonly value: Value }>>();
  return (of, key, find) => {
    let known = all.get(of);
    if (!known) all.set(of, (known = new Map()));
    const found = known.get(key) ?? { value: find() };
    known.set(key, found);
    return found.value;
  };
}
