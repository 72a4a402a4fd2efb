import { inWords, type Job, type PointedPlan } from '../../api/client';
import { useChange } from '../../api/hooks';
import { Word } from '../../app/Word';
import { figure } from '../../parts/Figure';
import { inField } from '../../parts/text';
import { useUnit } from '../../parts/unit';
import { text } from '../../app/voice';

/** Every pass; a depth set by hand stands, and those after it are shared out anew. */
export function PassTable({ job, plan, done }: { job: Job; plan: PointedPlan; done: ReadonlySet<string> }) {
  const unit = useUnit();
  const change = useChange(job);
  const rows = job.request.cut?.rows ?? [];
  const last = plan.cut.passes.filter(p => p.kind === 'cut').at(-1)?.n;
  const mayEdit = !job.frozen && plan.cut.style !== 'stocking_then_form' && !plan.cut.stop_says;
  const passes = plan.cut.passes.filter(p => p.kind === 'cut').length;
  // A row keeps its number only while the number of passes is kept too; rows past one set again are dropped, or they would not be deeper.
  const put = (n: number, mm: number | null) => ({
    cut: {
      passes,
      rows: [
        ...rows.filter(r => r.n < n),
        ...(mm == null ? [] : [{ n, radial_mm: mm }]),
        ...rows.filter(r => r.n > n && (mm == null || r.radial_mm > mm)),
      ],
    },
  });
  return (
    <>
      {rows.length > 0 && mayEdit && (
        <div className="row">
          <button
            type="button"
            className="act plain"
            disabled={change.isPending}
            onClick={() => change.mutate({ request: { cut: { rows: null, passes: null } } })}
          >
            {text('cut-leave-depths-app')}
          </button>
          {change.isError && (
            <p className="fault" role="alert">
              {inWords(change.error)}
            </p>
          )}
        </div>
      )}
      <table className="list pass-table">
        <thead>
          <tr>
            <th>{text('cut-pass')}</th>
            <th>{text('page-set')}</th>
            <th>{text('cut-reading')}</th>
            <th>{text('cut-radial')}</th>
            <th>{text('card-pitch-diameter')}</th>
            <th>{text('card-over-wires')}</th>
          </tr>
        </thead>
        <tbody>
          {plan.cut.passes.map(p => (
            <tr key={p.n} className={done.has(String(p.n)) ? 'done' : ''}>
              <td>{p.kind === 'cut' ? p.n : p.kind}</td>
              <td className="figure">
                {p.dial[0]?.text}
                {p.dial[1] && (p.side_mm ?? 0) !== 0 && (
                  <small>
                    {' '}
                    {text('cut-aside', {
                      dial: p.dial[1].text,
                      side: (p.side_mm ?? 0) < 0 ? text('cut-ahead') : text('cut-behind'),
                    })}
                  </small>
                )}
              </td>
              <td className="figure">{p.dial[0]?.reading}</td>
              <td className="figure">
                {mayEdit && p.kind === 'cut' && p.n !== last ? (
                  <Word
                    job={job}
                    about={text('cut-radial-depth-of-pass', { n: p.n })}
                    set={rows.some(r => r.n === p.n)}
                    edit={{
                      kind: 'length',
                      value: inField(p.asked_radial_mm, unit),
                      patch: mm => put(p.n, mm),
                      clear: text('cut-share-it-out'),
                    }}
                  >
                    {figure(p.asked_radial_mm, unit)}
                  </Word>
                ) : (
                  figure(p.asked_radial_mm, unit)
                )}
              </td>
              <td className="figure">
                {p.kind === 'stocking' ? text('cut-roughed') : figure(p.pitch_diameter_mm, unit)}
              </td>
              <td className="figure">{p.over_wires_mm ? figure(p.over_wires_mm, unit) : text('page-not-yet')}</td>
            </tr>
          ))}
          {plan.cut.stop_says && (
            <tr className="measure">
              <td colSpan={6}>{plan.cut.stop_says}</td>
            </tr>
          )}
        </tbody>
      </table>
    </>
  );
}
