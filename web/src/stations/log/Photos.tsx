import { useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { v4 } from 'uuid';
import type { Job, LogView, Problem } from '../../api/client';
import { text } from '../../app/voice';

const LARGEST = 5 * 1024 * 1024;

/** Photographs of the job: kept in the shop's own file, never sent anywhere else. */
export function Photos({ job, photos }: { job: Job; photos: LogView['photos'] }) {
  const queries = useQueryClient();
  const [fault, setFault] = useState<string | null>(null);
  const keep = async (file: File) => {
    setFault(null);
    if (file.size > LARGEST) return setFault(text('log-over-5-mb', { file: file.name }));
    try {
      const address = `/api/v1/jobs/${encodeURIComponent(job.id)}/photos/${v4()}?says=${encodeURIComponent(file.name)}`;
      const answer = await fetch(address, {
        method: 'PUT',
        body: file,
        headers: { 'content-type': 'application/octet-stream' },
      });
      if (!answer.ok) return setFault(((await answer.json()) as Problem).detail);
      await queries.invalidateQueries({ queryKey: ['job', job.id, 'log'] });
    } catch {
      setFault(text('log-saved-server-does'));
    }
  };
  return (
    <section className="photos" aria-label={text('log-photographs')}>
      <ul>
        {photos.map(p => (
          <li key={p.id}>
            <a href={`/api/v1/jobs/${job.id}/photos/${p.id}`} target="_blank" rel="noreferrer">
              <img
                src={`/api/v1/jobs/${job.id}/photos/${p.id}`}
                alt={p.says || text('log-photograph')}
                loading="lazy"
              />
            </a>
          </li>
        ))}
      </ul>
      <label className="act plain photo-key">
        {text('log-add-a-photograph')}
        <input
          type="file"
          accept="image/jpeg,image/png"
          onChange={e => {
            const file = e.currentTarget.files?.[0];
            e.currentTarget.value = '';
            if (file) void keep(file);
          }}
        />
      </label>
      {fault && (
        <p className="fault" role="alert">
          {fault}
        </p>
      )}
    </section>
  );
}
