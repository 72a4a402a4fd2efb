import { useQueryClient } from '@tanstack/react-query';
import type { Job, LogView } from '../../api/client';
import { photoAt } from '../../api/photos';
import { PhotoKey } from '../../parts/PhotoKey';
import { text } from '../../app/voice';

/** Photographs of the job. */
export function Photos({ job, photos }: { job: Job; photos: LogView['photos'] }) {
  const queries = useQueryClient();
  return (
    <section className="photos" aria-label={text('log-photographs')}>
      <ul>
        {photos.map(p => (
          <li key={p.id}>
            <a href={photoAt(job.id, p.id)} target="_blank" rel="noreferrer">
              <img src={photoAt(job.id, p.id)} alt={p.says || text('log-photograph')} loading="lazy" />
            </a>
          </li>
        ))}
      </ul>
      <PhotoKey
        job={job.id}
        says={text('log-add-a-photograph')}
        onKept={() => queries.invalidateQueries({ queryKey: ['job', job.id, 'log'] })}
      />
    </section>
  );
}
