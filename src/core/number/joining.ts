/** Sets that are joined step by step (union–find). */
export function joining(count: number): {
  find: (k: number) => number;
  join: (a: number, b: number) => void;
} {
  const parent = Array.from({ length: count }, (_, k) => k);
  const find = (k: number): number => {
    let at = k;
    while (parent[at] !== at) at = parent[at] = parent[parent[at] ?? at] ?? at;
    return at;
  };
  return { find, join: (a, b) => (parent[find(b)] = find(a)) };
}
