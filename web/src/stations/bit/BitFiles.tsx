import type { Job } from '../../api/client';
import { text } from '../../app/voice';

/** A drawing of the bit as files: at 1:1 and 10:1 to print, and for a drawing program. */
export function BitFiles({ job, view }: { job: Job; view: 'views' | 'tip' | 'relief_tool' }) {
  const file = (ending: string, scale = '') =>
    `/api/v1/jobs/${encodeURIComponent(job.id)}/bit.${ending}?view=${view}${scale}`;
  return (
    <p className="row files">
      {['1', '10'].map(scale => (
        <a key={scale} className="act plain" href={file('svg', `&scale=${scale}`)} download>
          {text('bit-svg-to-scale', { scale })}
        </a>
      ))}
      <a className="act plain" href={file('dxf')} download>
        {text('bit-dxf')}
      </a>
    </p>
  );
}
