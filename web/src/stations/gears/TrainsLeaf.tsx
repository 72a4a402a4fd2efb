import { useQuery } from '@tanstack/react-query';
import { useDeferredValue, useId, useState } from 'react';
import { api, inWords, type Job, type TrainRow, unwrap } from '../../api/client';
import { type Patch, useChange, useLathes } from '../../api/hooks';
import { Word } from '../../app/Word';
import { Outline } from '../../drawing/Outline';
import { useDraft } from '../../parts/draft';
import { Leaf } from '../../parts/Leaf';
import type { PointedProps } from '../JobPage';
import { lever, readTrain, train } from './train';
import { said, text } from '../../app/voice';

type GearsPatch = NonNullable<Patch['gears']>;
const SEATS = ['drivers', 'driven'] as const;
type Seat = (typeof SEATS)[number];
type Kept = Record<Seat, number[]>;
const seatSays = (seat: Seat, teeth: number) =>
  text(seat === 'drivers' ? 'gears-the-driving' : 'gears-the-driven', { teeth });
const IDLE = (t: TrainRow) =>
  t.idlers?.length
    ? t.idlers.length > 1
      ? text('gears-with-idlers', {
          idlers: t.idlers.map(String).reduce((first, next) => text('gears-idler-and', { first, next })),
        })
      : text('gears-with-idler', { idler: t.idlers[0] })
    : t.fits === null
      ? text('gears-by-tooth-counts-alone')
      : text('page-yes');

/** The arm with another train of the list on it, as the plan with that train draws it. */
function useHung(job: Job, row: TrainRow | null) {
  const hang = row && { drivers: row.drivers, driven: row.driven, gearbox: row.gearbox };
  return useQuery({
    queryKey: ['hung', job.id, job.revision, hang],
    enabled: hang !== null,
    staleTime: Infinity,
    placeholderData: before => before,
    queryFn: async () => {
      const request = { ...job.request, gears: { ...job.request.gears, hang } };
      return unwrap(await api.POST('/api/v1/plan', { body: request as never })).gears?.drawing ?? null;
    },
  }).data;
}

/** The trains found, in order; what is asked of them narrows the list. */
export function TrainsLeaf({ job, plan, open, onClose }: PointedProps & { open: boolean; onClose: () => void }) {
  const { gears } = plan;
  const change = useChange(job);
  const { hung } = gears;
  const asked = job.request.gears;
  const set = (patch: GearsPatch, done?: () => void) =>
    change.mutate({ request: { gears: patch } }, { onSuccess: done });
  const on = hung?.train;
  const [under, setUnder] = useState<TrainRow | null>(null);
  const seen = useHung(job, useDeferredValue(open ? under : null));
  const drawing = (under && seen) ?? gears.drawing;
  const truth = asked?.exact_only
    ? text('gears-exact')
    : asked?.max_error_ppm != null
      ? text('gears-within-ppm', { max_error_ppm: asked.max_error_ppm })
      : text('gears-of-any-error');
  const changes =
    asked?.max_changes != null
      ? text(asked.max_changes === 1 ? 'gears-at-most-one-gear' : 'gears-at-most-gears', {
          max_changes: asked.max_changes,
        })
      : text('gears-any-gears');
  const positions = [
    ...new Set([...gears.trains.map(t => t.gearbox), ...(asked?.gearbox ? [asked.gearbox] : [])]),
  ].sort();
  const mounted = useLathes().data?.find(l => l.id === job.request.lathe_id)?.mounted;
  const keep: Kept = { drivers: asked?.keep?.drivers ?? [], driven: asked?.keep?.driven ?? [] };
  const keptSays =
    SEATS.flatMap(seat => keep[seat].map(teeth => seatSays(seat, teeth))).join(', ') ||
    text('gears-nothing-in-particular');
  // Each gear now on can be kept or let go by itself.
  const mayKeep = SEATS.flatMap(seat =>
    [...new Set([...(mounted?.[seat] ?? []), ...keep[seat]])].map(teeth => ({
      seat,
      teeth,
      on: keep[seat].includes(teeth),
    })),
  );
  const turned = (seat: Seat, teeth: number, on: boolean): Kept => ({
    ...keep,
    [seat]: on ? keep[seat].filter(t => t !== teeth) : [...keep[seat], teeth],
  });
  return (
    <Leaf
      title={text('gears-trains-for-on-the', { pitch: plan.thread.pitch_text, lathe: gears.lathe })}
      open={open}
      onClose={onClose}
      wide
    >
      <p className="sentence own">
        {said('gears-leadscrew-turns-spindle', {
          required_ratio: gears.required_ratio,
          trains_total: gears.trains_total,
          truth: (
            <Word
              job={job}
              about={text('gears-error-allowed-parts')}
              set={Boolean(asked?.exact_only) || asked?.max_error_ppm != null}
              edit={{
                kind: 'number',
                value: String(asked?.max_error_ppm ?? ''),
                patch: ppm => ({ gears: { exact_only: null, max_error_ppm: ppm } }),
                usual: [
                  { says: text('gears-exact'), patch: { gears: { exact_only: true, max_error_ppm: null } } },
                  ...[100, 500].map(ppm => ({
                    says: text('gears-choice-within-ppm', { ppm }),
                    patch: { gears: { exact_only: null, max_error_ppm: ppm } },
                  })),
                ],
                clear: text('gears-of-any-error'),
              }}
            >
              {truth}
            </Word>
          ),
          changes: (
            <Word
              job={job}
              about={text('gears-gears-changed')}
              set={asked?.max_changes != null}
              edit={{
                kind: 'choice',
                choices: [
                  {
                    says: text('gears-any-gears'),
                    chosen: asked?.max_changes == null,
                    patch: { gears: { max_changes: null } },
                  },
                  ...[0, 1, 2, 3].map(n => ({
                    says: n === 0 ? text('page-none-within') : text('gears-at-most', { n }),
                    chosen: asked?.max_changes === n,
                    patch: { gears: { max_changes: n } },
                  })),
                ],
              }}
            >
              {changes}
            </Word>
          ),
          positions:
            (positions.length > 1 || asked?.gearbox != null) &&
            said('gears-the-lever-at', {
              gearbox: (
                <Word
                  job={job}
                  about={text('gears-gearbox-position')}
                  set={asked?.gearbox != null}
                  edit={{
                    kind: 'choice',
                    choices: [
                      {
                        says: text('gears-any-position'),
                        chosen: asked?.gearbox == null,
                        patch: { gears: { gearbox: null } },
                      },
                      ...positions.map(p => ({
                        says: p,
                        chosen: asked?.gearbox === p,
                        patch: { gears: { gearbox: p } },
                      })),
                    ],
                  }}
                >
                  {asked?.gearbox ?? text('gears-any-position')}
                </Word>
              ),
            }),
          mounted:
            mounted &&
            said('gears-keeping', {
              kept_says: (
                <Word
                  job={job}
                  about={text('gears-gears-kept-on')}
                  set={asked?.keep != null}
                  edit={{
                    kind: 'choice',
                    choices: [
                      {
                        says: text('gears-nothing-in-particular'),
                        chosen: asked?.keep == null,
                        patch: { gears: { keep: null } },
                      },
                      ...mayKeep.map(({ seat, teeth, on }) => ({
                        says: seatSays(seat, teeth),
                        under: on ? text('gears-let-it-go') : text('gears-keep-it-as-well'),
                        chosen: on,
                        patch: { gears: { keep: turned(seat, teeth, on) } },
                      })),
                    ],
                  }}
                >
                  {keptSays}
                </Word>
              ),
            }),
        })}
      </p>
      {change.isError && (
        <p className="fault" role="alert">
          {inWords(change.error)}
        </p>
      )}
      <div className="trains">
        <table className="list">
          <thead>
            <tr>
              <th>{text('page-drivers-driven')}</th>
              <th>{text('page-error')}</th>
              <th>{text('gears-change')}</th>
              <th>{text('gears-hangs')}</th>
            </tr>
          </thead>
          <tbody>
            {gears.trains.map(t => {
              const is = on !== undefined && train(t) === train(on) && t.gearbox === on.gearbox;
              return (
                <tr
                  key={train(t) + t.gearbox}
                  className={is ? 'on' : ''}
                  onPointerEnter={() => setUnder(t)}
                  onFocus={() => setUnder(t)}
                >
                  <td>
                    <button
                      type="button"
                      className="choice figure"
                      disabled={job.frozen}
                      aria-pressed={is}
                      onClick={() =>
                        set({ hang: { drivers: t.drivers, driven: t.driven, gearbox: t.gearbox } }, onClose)
                      }
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
        {drawing && <Outline drawing={drawing} />}
      </div>
      {gears.trains.length === 0 && <p className="how">{text('gears-train-passes-asked')}</p>}
      {!job.frozen && <OwnTrain levers={positions} now={on} hang={patch => set({ hang: patch }, onClose)} />}
      {hung?.chosen && !job.frozen && (
        <button type="button" className="act plain" onClick={() => set({ hang: null }, onClose)}>
          {text('page-leave-app')}
        </button>
      )}
    </Leaf>
  );
}

/** A train of one's own, judged like the others. */
function OwnTrain({
  levers,
  now,
  hang,
}: {
  levers: string[];
  now: TrainRow | undefined;
  hang: (train: { drivers: number[]; driven: number[]; gearbox?: string }, told: () => void) => void;
}) {
  const id = useId();
  const [written, setText, told] = useDraft('own-train', '');
  const [fault, setFault] = useState(false);
  return (
    <form
      className="lengths"
      onSubmit={e => {
        e.preventDefault();
        const read = readTrain(written);
        setFault(!read);
        if (!read) return;
        hang({ ...read, ...(levers.length > 1 && now ? { gearbox: now.gearbox } : {}) }, told);
      }}
    >
      <label htmlFor={id}>
        {text('gears-one-your-own')}
        <input
          id={id}
          autoComplete="off"
          value={written}
          onChange={e => setText(e.currentTarget.value)}
          aria-invalid={fault}
          aria-describedby={fault ? `${id}-fault` : undefined}
        />
      </label>
      <button type="submit" className="act plain">
        {text('page-judge-it')}
      </button>
      {fault && (
        <p className="fault" role="alert" id={`${id}-fault`}>
          {text('gears-write-many-driving')}
        </p>
      )}
    </form>
  );
}
