/** What is made of an object, made once and kept as long as that object is. */
export function remembered<K extends object, T>(make: (from: K) => T): (from: K) => T {
  const made = new WeakMap<K, { readonly of: T }>();
  return (from) => {
    const known = made.get(from) ?? { of: make(from) };
    made.set(from, known);
    return known.of;
  };
}

/** What is made of a word, made once for each; for few words. */
export function rememberedKey<T>(make: (key: string) => T): (key: string) => T {
  const made = new Map<string, { readonly of: T }>();
  return (key) => {
    const known = made.get(key) ?? { of: make(key) };
    made.set(key, known);
    return known.of;
  };
}
