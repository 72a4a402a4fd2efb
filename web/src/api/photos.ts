/** Where a photograph of a job is. */
export const photoAt = (job: string, id: string) => `/api/v1/jobs/${encodeURIComponent(job)}/photos/${id}`;
