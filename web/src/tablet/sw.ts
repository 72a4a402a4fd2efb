/// <reference lib="WebWorker" />
import { matchPrecache, precacheAndRoute } from 'workbox-precaching';
import { NavigationRoute, registerRoute } from 'workbox-routing';
import { KEPT_AT, KNOWN } from './kept';

declare const self: ServiceWorkerGlobalScope;

/** After so long without an answer what is kept is shown: a cable that is cut says nothing by itself. */
const PATIENCE_MS = 5000;
/** Answers kept, and the longest that is. */
const MOST = 400;
const LONGEST = 2_000_000;

/** What the server says within that time; else it is as if it said nothing. */
async function within(asked: Promise<Response>): Promise<Response> {
  let timer: ReturnType<typeof setTimeout> | undefined;
  const late = new Promise<never>((_, fail) => (timer = setTimeout(() => fail(new Error('late')), PATIENCE_MS)));
  try {
    return await Promise.race([asked, late]);
  } finally {
    clearTimeout(timer);
  }
}

/** Keeps an answer, and when it was given; for one more than there were the oldest make room. */
async function keep(request: Request, answer: Response, more: boolean) {
  const body = await answer.blob();
  if (body.size > LONGEST) return;
  const known = await caches.open(KNOWN);
  const headers = new Headers(answer.headers);
  headers.set(KEPT_AT, new Date().toISOString());
  await known.put(request, new Response(body, { headers }));
  if (!more) return;
  const all = await known.keys();
  await Promise.all(all.slice(0, Math.max(0, all.length - MOST)).map(old => known.delete(old)));
}

// A page comes from the server, so that one put out sees so; from here where none answers, with all it needs beside it.
registerRoute(
  new NavigationRoute(
    async ({ request }) => {
      try {
        return await within(fetch(request));
      } catch {
        return (await matchPrecache('/index.html')) ?? Response.error();
      }
    },
    { denylist: [/^\/pair/, /^\/api\//, /^\/healthz/] },
  ),
);

// What is asked is asked of the server first; where it does not answer, what it said last is shown, and marked as that.
registerRoute(
  ({ url, request, sameOrigin }) =>
    sameOrigin && url.pathname.startsWith('/api/v1/') && request.headers.get('accept') !== 'text/event-stream',
  async ({ request, event }) => {
    const asked = fetch(request.clone());
    const known = await caches.open(KNOWN);
    const kept = await known.match(request);
    try {
      const answer = await (kept ? within(asked) : asked);
      // Put out, it keeps nothing of the shop's.
      if (answer.status === 401) await caches.delete(KNOWN);
      if (answer.ok && answer.headers.get('content-type')?.startsWith('application/json')) {
        (event as ExtendableEvent).waitUntil(keep(request, answer.clone(), !kept));
      }
      return answer;
    } catch (error) {
      // What comes late is nobody's fault.
      asked.catch(() => undefined);
      if (kept) return kept;
      throw error;
    }
  },
);

precacheAndRoute(self.__WB_MANIFEST);

// A newer one waits until the page says it may: a page is never changed under a pass.
self.addEventListener('message', event => {
  if ((event.data as { type?: string } | null)?.type === 'SKIP_WAITING') void self.skipWaiting();
});
self.addEventListener('activate', event => event.waitUntil(self.clients.claim()));
