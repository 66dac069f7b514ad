/** Part of the Keyboard Map API, which some browsers have. */
interface KeyboardNavigator {
  readonly keyboard?: { getLayoutMap(): Promise<ReadonlyMap<string, string>> };
}

type Letter = (code: string) => string;

let letters: Letter | null = null;
let asked = false;
const listeners = new Set<() => void>();

/** What a key shows on this person's keyboard, by its place; null until it is known. */
export const keyLetter = (): Letter | null => letters;

/** Asks the browser once for the keyboard's layout and tells when it is known. */
export function subscribeToLayout(listener: () => void): () => void {
  listeners.add(listener);
  const { keyboard } = navigator as KeyboardNavigator;
  if (!asked && keyboard) {
    asked = true;
    keyboard.getLayoutMap().then(
      (map) => {
        letters = (code) => (map.get(code) ?? code.replace('Key', '')).toUpperCase();
        for (const each of listeners) each();
      },
      () => undefined,
    );
  }
  return () => listeners.delete(listener);
}
