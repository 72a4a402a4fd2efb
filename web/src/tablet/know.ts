import type { QueryClient } from '@tanstack/react-query';
import { jobAsked, jobsAsked } from '../api/hooks';
import { learnWords } from '../app/voice';

/** Jobs asked for ahead: a board of more is worked off from its top. */
const MOST = 40;

/** Asks for what a tablet is to know when it next stands without the network: what is shown, the words, and the jobs on the board. */
export async function know(queries: QueryClient) {
  try {
    await Promise.all([learnWords(), queries.invalidateQueries()]);
    const jobs = await queries.fetchQuery(jobsAsked);
    // One after another: who works meanwhile is not to wait for it.
    for (const { id } of jobs.slice(0, MOST)) await queries.prefetchQuery(jobAsked(id));
  } catch {
    // What could not be asked for now is known once it was looked at.
  }
}
