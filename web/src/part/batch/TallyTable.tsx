import { Link } from '@tanstack/react-router';
import type { ReactNode } from 'react';
import type { BatchView } from '../../api/client';
import { figure } from '../../parts/Figure';
import { bare } from '../../parts/text';
import { useUnit } from '../../parts/unit';
import { text } from '../../app/voice';

export type TallyRow = BatchView['tally']['rows'][number];

/** A cell of one thread of several opens that thread. */
function OfThread({ job, begun, children }: { job: string | null | undefined; begun: boolean; children: ReactNode }) {
  if (!job) return children;
  return (
    <Link to="/jobs/$id/$station" params={{ id: job, station: begun ? 'gauge' : 'setup' }}>
      {children}
    </Link>
  );
}

/** Every part with its sizes against their limits. */
export function TallyTable({
  batch,
  busy,
  onSize,
  onScrap,
  onAgain,
}: {
  batch: BatchView;
  busy: boolean;
  onSize?: (row: TallyRow) => void;
  onScrap: (row: TallyRow) => void;
  onAgain: (row: TallyRow) => void;
}) {
  const unit = useUnit();
  const { columns, rows } = batch.tally;
  const replaced = (row: TallyRow) => rows.some(r => r.place === row.place && rows.indexOf(r) > rows.indexOf(row));
  return (
    <table className="tally">
      <thead>
        <tr>
          <th>{text('page-part')}</th>
          {columns.map(c => (
            <th key={c.name}>
              {c.name}
              {!c.limits_mm && <small>{unit}</small>}
              {c.limits_mm && (
                <small>
                  {c.limits_mm.map(q => bare(figure(q, unit))).join(' to ')} {unit}
                </small>
              )}
            </th>
          ))}
          <th>{text('page-stands')}</th>
          <th>
            <span className="how">{text('batch-told')}</span>
          </th>
        </tr>
      </thead>
      <tbody>
        {rows.map(row => (
          <tr
            key={row.job}
            className={row.scrapped != null ? 'scrap' : row.job === batch.next?.job ? 'next-row' : undefined}
          >
            <th scope="row">
              <Link
                to="/jobs/$id/$station"
                params={{ id: row.job, station: row.begun ? 'gauge' : 'setup' }}
                aria-label={text('batch-to-its-stations', { place: row.place, row: row.says })}
              >
                {row.place}
              </Link>{' '}
              <small>{row.says}</small>
            </th>
            {row.cells.map((cell, i) => (
              <td key={columns[i]?.name} className={cell.stands === 'out' ? 'out' : undefined}>
                <OfThread job={row.threads.length > 1 ? row.threads[i] : null} begun={row.begun}>
                  {cell.read ? <span className="figure">{bare(figure(cell.read, unit))}</span> : '—'}
                </OfThread>
                {cell.stands === 'out' && <small>{text('batch-out-of-limits')}</small>}
              </td>
            ))}
            <td>
              {row.stands}
              {row.scrapped != null && <small>{row.scrapped}</small>}
            </td>
            <td>
              <div className="row">
                {row.scrapped == null && onSize && (
                  <button
                    type="button"
                    className="choice"
                    aria-label={text('batch-size-of-part', { place: row.place })}
                    onClick={() => onSize(row)}
                  >
                    {text('batch-size')}
                  </button>
                )}
                {row.scrapped == null && (
                  <button
                    type="button"
                    className="choice"
                    aria-label={text('batch-scrap-part', { place: row.place })}
                    onClick={() => onScrap(row)}
                  >
                    {text('batch-scrap')}
                  </button>
                )}
                {row.scrapped != null && !replaced(row) && (
                  <button
                    type="button"
                    className="choice"
                    disabled={busy}
                    aria-label={text('batch-begin-again-part', { place: row.place })}
                    onClick={() => onAgain(row)}
                  >
                    {text('batch-begin-again')}
                  </button>
                )}
              </div>
            </td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}
