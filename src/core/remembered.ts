/** What is made of an object, made once and kept as long as that object is. */
export function remembered<K extends object, T>(make: (from: K) => T): (from: K) => T {
  const made = new WeakMap<K, { readonly of: T }>();
  return (from) => {
    const known = made.get(from) ?? { of: make(from) };
    made.set(from, known);
    return known.of;
  };
}
