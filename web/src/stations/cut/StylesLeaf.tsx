import { inWords, type Job } from '../../api/client';
import { useChange } from '../../api/hooks';
import { Seen } from '../../drawing/Outline';
import { Leaf } from '../../parts/Leaf';
import { useGroove } from '../../api/sheets';
import { text } from '../../app/voice';

/** The styles side by side, by what each edge bites, the passes they take, and what may go wrong. */
export function StylesLeaf({ job, open, onClose }: { job: Job; open: boolean; onClose: () => void }) {
  const groove = useGroove(job, open);
  const change = useChange(job);
  const usual = groove.data?.styles.find(s => s.recommended);
  return (
    <Leaf title={text('cut-styles-compared')} open={open} onClose={onClose} wide>
      <p className="how">
        {text('cut-largest-bite-each', {
          usual: usual && ` ${text('cut-recommended-is', { usual: usual.says, recommended: usual.recommended })}`,
        })}
      </p>
      {groove.isError && <p className="fault">{inWords(groove.error)}</p>}
      {change.isError && (
        <p className="fault" role="alert">
          {inWords(change.error)}
        </p>
      )}
      <table className="list styles-table">
        <thead>
          <tr>
            <th>{text('cut-style')}</th>
            <th>{text('page-passes')}</th>
            <th>{text('cut-leading')}</th>
            <th>{text('cut-tip')}</th>
            <th>{text('cut-trailing')}</th>
            <th>{text('cut-what-may-go-wrong')}</th>
          </tr>
        </thead>
        <tbody>
          {groove.data?.styles.map(s => (
            <tr key={s.style}>
              <td>
                <button
                  type="button"
                  className="choice"
                  aria-pressed={s.chosen}
                  disabled={job.frozen || Boolean(s.refused) || change.isPending}
                  onClick={() =>
                    change.mutate({ request: { cut: { style: s.style, compound_angle_deg: null, rows: null } } })
                  }
                >
                  {s.drawing && <Seen drawing={s.drawing} />}
                  {s.says}
                  {s.recommended ? ` ${text('page-recommended')}` : ''}
                </button>
              </td>
              {s.refused ? (
                <td colSpan={5}>{text('cut-not-here', { refused: s.refused })}</td>
              ) : (
                <>
                  <td className="figure">{s.passes}</td>
                  <td className="figure">{s.bites_text?.[0] ?? '—'}</td>
                  <td className="figure">{s.bites_text?.[1] ?? '—'}</td>
                  <td className="figure">{s.bites_text?.[2] ?? '—'}</td>
                  <td>{s.risk}</td>
                </>
              )}
            </tr>
          ))}
        </tbody>
      </table>
    </Leaf>
  );
}
