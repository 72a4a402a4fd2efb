import { Link } from '@tanstack/react-router';
import type { BatchView } from '../../api/client';
import { figure } from '../../parts/Figure';
import { bare } from '../../parts/text';
import { useUnit } from '../../parts/unit';

export type TallyRow = BatchView['tally']['rows'][number];

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
          <th>Part</th>
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
          <th>Stands</th>
          <th>
            <span className="how">Told</span>
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
                params={{ id: row.job, station: row.stands === 'not begun' ? 'setup' : 'gauge' }}
                aria-label={`${row.place}, ${row.says}: to its stations`}
              >
                {row.place}
              </Link>{' '}
              <small>{row.says}</small>
            </th>
            {row.cells.map((cell, i) => (
              <td key={columns[i]?.name} className={cell.stands === 'out' ? 'out' : undefined}>
                {cell.read ? <span className="figure">{bare(figure(cell.read, unit))}</span> : '—'}
                {cell.stands === 'out' && <small>out of limits</small>}
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
                    aria-label={`Size of part ${row.place}`}
                    onClick={() => onSize(row)}
                  >
                    Size
                  </button>
                )}
                {row.scrapped == null && (
                  <button
                    type="button"
                    className="choice"
                    aria-label={`Scrap part ${row.place}`}
                    onClick={() => onScrap(row)}
                  >
                    Scrap
                  </button>
                )}
                {row.scrapped != null && !replaced(row) && (
                  <button
                    type="button"
                    className="choice"
                    disabled={busy}
                    aria-label={`Begin again part ${row.place}`}
                    onClick={() => onAgain(row)}
                  >
                    Begin again
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
