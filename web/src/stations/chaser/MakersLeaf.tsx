import { inWords, type Job, type MakersSheet } from '../../api/client';
import { useChange } from '../../api/hooks';
import { useMakers } from '../../api/sheets';
import { text } from '../../app/voice';
import { Leaf } from '../../parts/Leaf';
import { Closing } from '../../parts/WatchList';

type Way = MakersSheet['ways'][number];

const patchOf = (way: Way) =>
  way.by === 'single_point'
    ? { making: null, blank: { die_finish: way.finished || null } }
    : { making: { by: way.by }, blank: { die_finish: null } };

/** A single point, a die or a tap for this thread, side by side: time, proof, what is there, what can hurt, what stands against it. */
export function MakersLeaf({ job, open, onClose }: { job: Job; open: boolean; onClose: () => void }) {
  const sheet = useMakers(job, open);
  const change = useChange(job);
  return (
    <Leaf title={text('chaser-what-makes-it')} open={open} onClose={onClose} wide>
      {sheet.data && <p className="how">{sheet.data.says}</p>}
      {[sheet, change].map((of, i) =>
        of.isError ? (
          <p key={i} className="fault" role="alert">
            {inWords(of.error)}
          </p>
        ) : null,
      )}
      <table className="list makers-table">
        <thead>
          <tr>
            <th>{text('chaser-made')}</th>
            <th>{text('chaser-from-blank-to-proof')}</th>
            <th>{text('chaser-proof')}</th>
            <th>{text('chaser-what-can-hurt')}</th>
            <th>{text('chaser-against-it')}</th>
          </tr>
        </thead>
        <tbody>
          {sheet.data?.ways.map(way => (
            <tr key={way.says}>
              <td>
                <button
                  type="button"
                  className="choice"
                  aria-pressed={way.chosen}
                  disabled={job.frozen || change.isPending}
                  onClick={() => change.mutate({ request: patchOf(way) })}
                >
                  {way.says}
                  {way.recommended ? ` ${text('page-recommended')}` : ''}
                </button>
              </td>
              <td className="figure">{way.takes}</td>
              <td>{way.proof}</td>
              <td>{way.hazard}</td>
              <td>{[way.owned === false ? way.at_hand : null, ...way.against].filter(Boolean).join(' ') || '—'}</td>
            </tr>
          ))}
        </tbody>
      </table>
      <Closing />
    </Leaf>
  );
}
