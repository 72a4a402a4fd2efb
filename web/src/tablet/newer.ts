import { useSyncExternalStore } from 'react';
import { Workbox } from 'workbox-window';
import { onBack } from './away';
import { shared } from './shared';

/** How often it is looked whether the server has a newer app. */
const LOOKS_MS = 15 * 60_000;

let worker: Workbox | null = null;
/** A newer one is ready, and waits; or has taken over at the word of another page. */
const newer = shared<'waits' | 'took' | null>(null);

/** Whether an app newer than this page is ready. */
export const useNewer = () => useSyncExternalStore(newer.look, newer.now) !== null;

/** Goes over to the newer app. Called only where nothing is under way. */
export function takeNewer() {
  if (newer.now() === 'took') window.location.reload();
  else if (newer.now() === 'waits' && worker) {
    worker.addEventListener('controlling', () => window.location.reload());
    worker.messageSkipWaiting();
  }
}

/** Keeps the app on this tablet, and tells once what is asked is kept with it. Of use over the shop's network alone: the desk has its server beside it. */
export async function keepHere(keeps: () => void) {
  if (window.location.protocol !== 'https:' || !('serviceWorker' in navigator)) return;
  worker = new Workbox('/sw.js');
  worker.addEventListener('waiting', () => newer.be('waits'));
  // Another page let it in: this one is older than what keeps it now.
  worker.addEventListener('controlling', event => {
    if (event.isUpdate && newer.now() === null) newer.be('took');
    // What was asked before it was there is kept by nobody.
    if (!event.isUpdate) keeps();
  });
  try {
    await worker.register();
  } catch {
    // Not trusted, or not let: the page serves as long as the server answers.
    return;
  }
  const look = () => void worker?.update().catch(() => undefined);
  onBack(look);
  setInterval(look, LOOKS_MS);
  document.addEventListener('visibilitychange', () => document.visibilityState === 'visible' && look());
}
