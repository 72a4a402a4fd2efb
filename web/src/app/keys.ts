import { useEffect, useEffectEvent } from 'react';
import { useSettings } from './Settings';
import { actOf, isLetter, type KeyAct } from './keymap';

/** Two presses closer than this are one knuckle, ms. */
export const TWICE_MS = 700;

/** Whether typing goes into a field just now. */
function typing(target: EventTarget | null): boolean {
  return (
    target instanceof HTMLElement && (target.isContentEditable || /^(input|textarea|select)$/i.test(target.tagName))
  );
}

/** When a leaf was closed last: the key that closed it is not to do anything else. */
let closedAt = -1;

/** Tells that a leaf was closed just now. */
export const leafClosed = () => {
  closedAt = performance.now();
};

/**
 * Acts on plain keys while nothing is being typed and no leaf is open. Repeats are ignored, and
 * single letters may be switched off.
 */
export function useKeys(acts: Partial<Record<KeyAct, (event: KeyboardEvent) => void>>) {
  const { letters } = useSettings();
  const press = useEffectEvent((event: KeyboardEvent) => {
    if (event.repeat || event.ctrlKey || event.metaKey || event.altKey || typing(event.target)) return;
    // The leaf an Escape closes may be gone by the time the key comes here.
    if (document.querySelector('[role="dialog"]') || closedAt >= event.timeStamp) return;
    const act = actOf(event.key, Object.keys(acts) as KeyAct[]);
    if (!act || (!letters && isLetter(event.key))) return;
    acts[act]?.(event);
  });
  useEffect(() => {
    const listen = (event: KeyboardEvent) => press(event);
    window.addEventListener('keydown', listen);
    return () => window.removeEventListener('keydown', listen);
  }, []);
}
