import { VisuallyHidden } from '@mantine/core';
import { Link } from '@tanstack/react-router';
import type { Plan } from '../api/client';
import { STATIONS, type StationId } from './stations';
import { text } from './voice';

/** The stations along a lathe bed; the carriage stands at the one open. */
export function Bed({ job, open, plan }: { job: string; open: StationId; plan: Plan | null }) {
  const at = STATIONS().findIndex(s => s.id === open);
  const doubtful = (id: string) => plan?.watch.some(w => w.station === id && w.level !== 'note');
  return (
    <nav className="bed" aria-label={text('frame-stations')}>
      <Link
        className="headstock"
        to="/jobs/$id/route"
        params={{ id: job }}
        aria-label={text('frame-whole-part-route')}
      >
        {text('page-part')}
      </Link>
      <span className="chuck" aria-hidden="true" />
      <span className="ways" aria-hidden="true">
        <span className="past" style={{ width: `${((at + 0.5) / STATIONS().length) * 100}%` }} />
      </span>
      {STATIONS().map((s, i) => (
        <Link
          key={s.id}
          to="/jobs/$id/$station"
          params={{ id: job, station: s.id }}
          aria-current={s.id === open ? 'page' : undefined}
        >
          <span className="stand" aria-hidden="true" />
          <b>
            {i + 1} {s.name}
            {doubtful(s.id) && (
              <span className="flag" aria-hidden="true">
                ▲
              </span>
            )}
            {doubtful(s.id) && <VisuallyHidden> {text('frame-has-a-warning')}</VisuallyHidden>}
          </b>
        </Link>
      ))}
    </nav>
  );
}
