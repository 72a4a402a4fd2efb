import { useEffect, useEffectEvent } from 'react';
import { useSettings } from './Settings';

/** Whether typing goes into a field just now. */
function typing(target: EventTarget | null): boolean {
  return target instanceof HTMLElement && (target.isContentEditable || /^(input|textarea|select)$/i.test(target.tagName));
}

/**
 * Acts on plain keys while nothing is being typed and no leaf is open. Repeats are ignored, and
 * single letters may be switched off.
 */
export function useKeys(keys: Record<string, (event: KeyboardEvent) => void>) {
  const { letters } = useSettings();
  const press = useEffectEvent((event: KeyboardEvent) => {
    if (event.repeat || event.ctrlKey || event.metaKey || event.altKey || typing(event.target)) return;
    if (document.querySelector('[role="dialog"]')) return;
    const name = event.key.length === 1 ? event.key.toLowerCase() : event.key;
    const act = keys[name];
    if (!act || (!letters && /^[a-z]$/.test(name))) return;
    act(event);
  });
  useEffect(() => {
    const listen = (event: KeyboardEvent) => press(event);
    window.addEventListener('keydown', listen);
    return () => window.removeEventListener('keydown', listen);
  }, []);
}
