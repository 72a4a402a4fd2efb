import { useCallback, useState } from 'react';

/** What a draft was begun from, and what became of it. */
interface Draft<T> {
  from: T;
  to: T;
}

const read = <T>(key: string, from: T): T => {
  try {
    const draft = JSON.parse(sessionStorage.getItem(key) ?? 'null') as Draft<T> | null;
    // Begun from something that stands otherwise by now, it would put the old back.
    return draft && JSON.stringify(draft.from) === JSON.stringify(from) ? draft.to : from;
  } catch {
    return from;
  }
};

/**
 * What is typed and not told yet: kept in this tab's own store under its name, of this page or of all of them, so that Esc, Back, a reload
 * or another station lose nothing. Told, it is kept no longer; what stands in the field stands there till it is closed.
 */
export function useDraft<T>(name: string, from: T, everywhere = false): [T, (to: T) => void, () => void] {
  const key = `draft:${everywhere ? '' : window.location.pathname}:${name}`;
  const [value, setValue] = useState(() => read(key, from));
  const set = useCallback(
    (to: T) => {
      setValue(to);
      try {
        if (JSON.stringify(to) === JSON.stringify(from)) sessionStorage.removeItem(key);
        else sessionStorage.setItem(key, JSON.stringify({ from, to }));
      } catch {
        // Without a store it is only not kept.
      }
    },
    [from, key],
  );
  const told = useCallback(() => sessionStorage.removeItem(key), [key]);
  return [value, set, told];
}
