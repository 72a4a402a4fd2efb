import { useState } from 'react';
import type { TrainRow } from '../../api/client';
import { useChart } from '../../api/hooks';
import { Leaf } from '../../parts/Leaf';
import { lever, train } from './train';
import { text } from '../../app/voice';

/** The pitch chart of a lathe: every standard pitch, its best train, and when the half-nut may open. */
export function ChartLeaf({
  lathe,
  name,
  open,
  onClose,
}: {
  lathe: string;
  name: string;
  open: boolean;
  onClose: () => void;
}) {
  return (
    <Leaf title={text('gears-pitch-chart-of-the', { name })} open={open} onClose={onClose} wide>
      {open && <Chart lathe={lathe} />}
    </Leaf>
  );
}

const hangs = (t: TrainRow) =>
  t.why_not ?? (t.fits === null ? text('gears-by-tooth-counts-alone') : text('page-yes'));

function Chart({ lathe }: { lathe: string }) {
  const chart = useChart(lathe);
  const [unit, setUnit] = useState<'mm' | 'in'>('mm');
  const rows = chart.data?.filter(r => r.unit === unit);
  return (
    <div className="pitch-chart">
      <div className="row">
        {(['mm', 'in'] as const).map(u => (
          <button key={u} type="button" className="choice" aria-pressed={unit === u} onClick={() => setUnit(u)}>
            {u === 'mm' ? text('page-millimeters') : text('page-threads-per-inch')}
          </button>
        ))}
        <a className="act plain" href={`/api/v1/lathes/${encodeURIComponent(lathe)}/chart.csv`} download>
          {text('gears-as-csv')}
        </a>
        <button type="button" className="act plain" onClick={() => window.print()}>
          {text('page-print')}
        </button>
      </div>
      {chart.isError && (
        <p className="fault" role="alert">
          {text('gears-chart-did-come')}
        </p>
      )}
      {!rows && !chart.isError && <p className="how">{text('gears-working-out-every-pitch')}</p>}
      {rows && (
        <table className="list">
          <thead>
            <tr>
              <th>{text('page-pitch')}</th>
              <th>{text('page-drivers-driven')}</th>
              <th>{text('page-error')}</th>
              <th>{text('gears-change')}</th>
              <th>{text('card-half-nut')}</th>
              <th>{text('gears-hangs')}</th>
            </tr>
          </thead>
          <tbody>
            {rows.map(r => (
              <tr key={r.pitch} className={r.train?.error_ppm === 0 && !r.train.why_not ? '' : 'faint'}>
                <th scope="row">{r.pitch}</th>
                <td>{r.train ? `${train(r.train)}${lever(r.train)}` : '—'}</td>
                <td>{r.train?.error_text ?? ''}</td>
                <td>{r.train?.swaps ?? ''}</td>
                <td>{r.dial_says}</td>
                <td>{r.train ? hangs(r.train) : ''}</td>
              </tr>
            ))}
          </tbody>
        </table>
      )}
    </div>
  );
}
