/** Something the whole page shares, and whoever shows it looks at. */
export interface Shared<T> {
  now: () => T;
  be: (now: T) => void;
  /** For useSyncExternalStore. */
  look: (looker: () => void) => () => void;
}

export function shared<T>(first: T): Shared<T> {
  let is = first;
  const lookers = new Set<() => void>();
  return {
    now: () => is,
    be: now => {
      is = now;
      for (const looker of lookers) looker();
    },
    look: looker => {
      lookers.add(looker);
      return () => {
        lookers.delete(looker);
      };
    },
  };
}
