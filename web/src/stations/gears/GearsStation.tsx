import { useState } from 'react';
import { inWords, type TrainRow } from '../../api/client';
import { useChange } from '../../api/hooks';
import { Outline } from '../../drawing/Outline';
import { Leaf } from '../../parts/Leaf';
import type { StationProps } from '../JobPage';
import { Station } from '../Station';

const train = (t: TrainRow) => `${t.drivers.join('·')} / ${t.driven.join('·')}`;
const lever = (t: TrainRow) => (t.gearbox === 'direct' ? '' : `, gearbox ${t.gearbox}`);

/** Gears: which gears, where, how true, and when the half-nut may open. */
export function GearsStation({ job, plan }: StationProps) {
  const { gears, setup } = plan;
  const [list, setList] = useState(false);
  const change = useChange(job);
  const hung = gears.hung;
  const hang = (t: TrainRow | null) =>
    change.mutate(
      { request: { gears: { hang: t ? { drivers: t.drivers, driven: t.driven, gearbox: t.gearbox } : null } } },
      { onSuccess: () => setList(false) },
    );
  const rule = { any_position: 'Anywhere', every_mark: 'Any mark', marks: `Every ${gears.dial.every} marks`, keep_closed: 'Keep it closed' }[gears.dial.rule];
  return (
    <Station
      id="gears"
      plan={plan}
      sentence={
        <>
          Hang{' '}
          <button type="button" className={`word${hung?.chosen ? ' set' : ''}`} onClick={() => setList(true)} aria-label={`Train: ${hung ? `${train(hung.train)}${lever(hung.train)}` : 'nothing'}. Choose another`}>
            {hung ? `${train(hung.train)}${lever(hung.train)}` : 'nothing'}
          </button>
          , {setup.says.charAt(0).toLowerCase() + setup.says.slice(1)}
        </>
      }
      drawing={gears.drawing && <Outline drawing={gears.drawing} />}
      numbers={[
        hung && { says: 'Lead cut', figure: hung.lead_mm, under: hung.train.error_ppm === 0 ? hung.judged : `${hung.train.error_text}. ${hung.judged}` },
        { says: 'Half-nut', text: rule, under: gears.dial.says },
        hung && { says: 'Gears to change', text: String(hung.train.swaps), under: hung.train.fits === null ? 'Fit by the bench rule only: the arm is not described.' : undefined },
      ]}
    >
      {hung && (
        <ol className="steps" aria-label="Hanging it">
          {hung.steps.map((s) => (
            <li key={s}>{s}</li>
          ))}
        </ol>
      )}
      <Leaf title={`Trains for ${plan.thread.pitch_text} on the ${gears.lathe}`} open={list} onClose={() => setList(false)} wide>
        <p>
          Wanted: {gears.required_ratio} leadscrew turns a spindle turn. {gears.trains_total} trains found.
        </p>
        {change.isError && <p className="fault" role="alert">{inWords(change.error)}</p>}
        <table className="list">
          <thead>
            <tr>
              <th>Drivers / driven</th>
              <th>Error</th>
              <th>Change</th>
              <th>Hangs</th>
            </tr>
          </thead>
          <tbody>
            {gears.trains.map((t) => {
              const on = hung !== undefined && hung !== null && train(t) === train(hung.train) && t.gearbox === hung.train.gearbox;
              return (
                <tr key={train(t) + t.gearbox} className={on ? 'on' : ''}>
                  <td>
                    <button type="button" className="choice figure" disabled={job.frozen} aria-pressed={on} onClick={() => hang(t)}>
                      {train(t)}
                      {lever(t)}
                    </button>
                  </td>
                  <td>{t.error_text}</td>
                  <td>{t.swaps}</td>
                  <td>{t.why_not ?? (t.idler ? `with the ${t.idler} as idler` : t.fits === null ? 'by the bench rule' : 'yes')}</td>
                </tr>
              );
            })}
          </tbody>
        </table>
        {hung?.chosen && !job.frozen && (
          <button type="button" className="act plain" onClick={() => hang(null)}>
            Leave it to the app
          </button>
        )}
      </Leaf>
    </Station>
  );
}
