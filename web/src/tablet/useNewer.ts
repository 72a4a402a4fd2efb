import { useEffect, useRef } from 'react';
import { takeNewer, useNewer } from './newer';

/** How often it is looked whether nothing is under way. */
const LOOKS_MS = 3000;

const typing = () => {
  const at = document.activeElement;
  return at instanceof HTMLElement && /^(input|textarea|select)$/i.test(at.tagName);
};

/** Nothing is typed, and no leaf is open. */
const idle = () => !typing() && !document.querySelector('[role="dialog"]');

/** Away from the lathe a newer app is gone over to as soon as nothing is under way. */
export function useNewerWhenIdle(beside: boolean) {
  const newer = useNewer();
  useEffect(() => {
    if (!newer || beside) return;
    const timer = setInterval(() => idle() && takeNewer(), LOOKS_MS);
    return () => clearInterval(timer);
  }, [newer, beside]);
}

/**
 * Beside the lathe only between two passes, or where none is to come: as one is acknowledged the tool is out, and the next has not begun.
 * Whether one waits for that.
 */
export function useNewerBetween(sequence: number, unsent: number, cutting: boolean): boolean {
  const newer = useNewer();
  const last = useRef(sequence);
  useEffect(() => {
    const moved = last.current !== sequence;
    last.current = sequence;
    if (newer && unsent === 0 && idle() && (moved || !cutting)) takeNewer();
  }, [newer, sequence, unsent, cutting]);
  return newer;
}
