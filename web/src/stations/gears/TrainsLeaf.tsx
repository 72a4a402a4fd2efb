import { inWords, type TrainRow } from '../../api/client';
import { type Patch, useChange } from '../../api/hooks';
import { Word } from '../../app/Word';
import { Leaf } from '../../parts/Leaf';
import type { StationProps } from '../JobPage';
import { lever, train } from './train';

type GearsPatch = NonNullable<Patch['gears']>;
const IDLE = (t: TrainRow) => (t.idlers?.length ? `with the ${t.idlers.join(' and the ')} as idler${t.idlers.length > 1 ? 's' : ''}` : t.fits === null ? 'by the bench rule' : 'yes');

/** The trains found, in order; what is asked of them narrows the list. */
export function TrainsLeaf({ job, plan, open, onClose }: StationProps & { open: boolean; onClose: () => void }) {
  const { gears } = plan;
  const change = useChange(job);
  const { hung } = gears;
  const asked = job.request.gears;
  const set = (patch: GearsPatch, done?: () => void) => change.mutate({ request: { gears: patch } }, { onSuccess: done });
  const on = hung?.train;
  const truth = asked?.exact_only ? 'exact' : asked?.max_error_ppm != null ? `within ${asked.max_error_ppm} ppm` : 'of any error';
  const changes = asked?.max_changes != null ? `at most ${asked.max_changes} ${asked.max_changes === 1 ? 'gear' : 'gears'}` : 'any gears';
  const positions = [...new Set([...gears.trains.map((t) => t.gearbox), ...(asked?.gearbox ? [asked.gearbox] : [])])].sort();
  return (
    <Leaf title={`Trains for ${plan.thread.pitch_text} on the ${gears.lathe}`} open={open} onClose={onClose} wide>
      <p className="sentence own">
        {gears.required_ratio} leadscrew turns a spindle turn: {gears.trains_total} trains found,{' '}
        <Word
          job={job}
          about="How true"
          set={truth !== 'of any error'}
          edit={{
            kind: 'choice',
            choices: [
              { says: 'of any error', chosen: truth === 'of any error', patch: { gears: { exact_only: null, max_error_ppm: null } } },
              { says: 'exact', chosen: Boolean(asked?.exact_only), patch: { gears: { exact_only: true, max_error_ppm: null } } },
              ...[100, 500].map((ppm) => ({ says: `within ${ppm} ppm`, chosen: !asked?.exact_only && asked?.max_error_ppm === ppm, patch: { gears: { exact_only: null, max_error_ppm: ppm } } })),
            ],
          }}
        >
          {truth}
        </Word>
        , changing{' '}
        <Word
          job={job}
          about="Gears changed"
          set={asked?.max_changes != null}
          edit={{
            kind: 'choice',
            choices: [
              { says: 'any gears', chosen: asked?.max_changes == null, patch: { gears: { max_changes: null } } },
              ...[0, 1, 2, 3].map((n) => ({ says: n === 0 ? 'none' : `at most ${n}`, chosen: asked?.max_changes === n, patch: { gears: { max_changes: n } } })),
            ],
          }}
        >
          {changes}
        </Word>
        {(positions.length > 1 || asked?.gearbox != null) && (
          <>
            , the lever at{' '}
            <Word
              job={job}
              about="Gearbox position"
              set={asked?.gearbox != null}
              edit={{
                kind: 'choice',
                choices: [
                  { says: 'any position', chosen: asked?.gearbox == null, patch: { gears: { gearbox: null } } },
                  ...positions.map((p) => ({ says: p, chosen: asked?.gearbox === p, patch: { gears: { gearbox: p } } })),
                ],
              }}
            >
              {asked?.gearbox ?? 'any position'}
            </Word>
          </>
        )}
        .
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
            const is = on !== undefined && train(t) === train(on) && t.gearbox === on.gearbox;
            return (
              <tr key={train(t) + t.gearbox} className={is ? 'on' : ''}>
                <td>
                  <button
                    type="button"
                    className="choice figure"
                    disabled={job.frozen}
                    aria-pressed={is}
                    onClick={() => set({ hang: { drivers: t.drivers, driven: t.driven, gearbox: t.gearbox } }, onClose)}
                  >
                    {train(t)}
                    {lever(t)}
                  </button>
                </td>
                <td>{t.error_text}</td>
                <td>{t.swaps}</td>
                <td>{t.why_not ?? IDLE(t)}</td>
              </tr>
            );
          })}
        </tbody>
      </table>
      {gears.trains.length === 0 && <p className="how">No train passes what is asked of it. Allow more.</p>}
      {hung?.chosen && !job.frozen && (
        <button type="button" className="act plain" onClick={() => set({ hang: null }, onClose)}>
          Leave it to the app
        </button>
      )}
    </Leaf>
  );
}
