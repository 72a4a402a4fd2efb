import { useDebouncedValue } from '@mantine/hooks';
import { keepPreviousData, useQuery } from '@tanstack/react-query';
import { useId, useState } from 'react';
import { api, inWords, isPointed, type PointedPlan, type TrainRow, unwrap } from '../api/client';
import { useMakeJob } from '../api/hooks';
import { DescribeLathe } from '../shop/DescribeLathe';
import { useDraft } from '../parts/draft';
import { Carry } from '../parts/Carry';
import { Leaf } from '../parts/Leaf';
import { measured, ofNoLathe, sized } from '../parts/ofNoLathe';
import { nutSays } from '../parts/text';
import { UnitContext } from '../parts/unit';
import { lever, train } from '../stations/gears/train';
import { useLatheChosen } from './lathe';
import { useSettings } from './Settings';
import { Sizes } from './Sizes';
import { language, said, text } from './voice';

/** What the half-nut does where no dial is followed. */
const NUT = {
  closed: 'card-nut-closed',
  same_mark: 'card-nut-same-mark',
  hand: 'card-nut-closed',
  chalk_marks: 'card-nut-chalk',
  auto: 'card-nut-closed',
} as const;

/** And where one is. */
const BY_DIAL = {
  any_position: 'card-nut-anywhere',
  every_mark: 'card-nut-any-mark',
  marks: 'card-nut-every',
  keep_closed: 'card-nut-closed',
} as const;

/** The gears' error, the lever, and whether they hang. */
function underGears(hung: TrainRow) {
  const { gearbox, error_text, fits } = hung;
  const says = lever(hung) ? text('card-gearbox', { gearbox, error: error_text }) : error_text;
  return fits === false ? text('card-does-not-hang', { says }) : says;
}

/** The numbers that are a lathe's own, among those that are not. */
function onItsLathe(plan: PointedPlan) {
  const { gears, cut } = plan;
  const hung = gears.hung?.train;
  return [
    sized(plan),
    hung && {
      says: text('card-gears'),
      text: train(hung),
      under: underGears(hung),
    },
    {
      says: text(plan.setup.screw ? 'card-half-nut.engaged' : 'card-half-nut'),
      text: plan.setup.screw
        ? text('card-nut-engaged')
        : text(plan.setup.ending === 'dial' ? BY_DIAL[gears.dial.rule] : NUT[plan.setup.ending], {
            n: gears.dial.every ?? '',
          }),
      under: nutSays(plan),
    },
    {
      says: text(cut.stop_says ? 'card-depth-stop' : 'card-depth'),
      text: cut.full_depth?.text ?? '—',
      under: text(cut.full_depth?.slide === 'compound' ? 'card-compound-at' : 'card-cross-slide', {
        angle: cut.angle_deg,
        reading: cut.full_depth?.reading ?? '',
      }),
    },
    measured(plan),
  ];
}

/** The ten-second card: what goes to the bench for a plain thread. Before a lathe is told it holds what needs none. */
function Card({ plan, unit, told }: { plan: PointedPlan; unit: 'mm' | 'in'; told: boolean }) {
  return (
    <UnitContext value={unit}>
      <div
        className="card"
        lang={language()}
        aria-live="polite"
        aria-label={text('card-for', { thread: plan.thread.name })}
      >
        <Carry numbers={told ? onItsLathe(plan) : ofNoLathe(plan)} />
        {!told && (
          <>
            {plan.watch
              .filter(w => w.code === 'wire_unusable')
              .map(w => (
                <p key={w.code}>{w.text}</p>
              ))}
            <p>{text('card-no-lathe')}</p>
            <DescribeLathe says={text('no-lathe-describe')} plain />
          </>
        )}
      </div>
    </UnitContext>
  );
}

/** Takes a callout as it is typed, shows its card, and makes a job of it on Enter. */
export function TypeAndGo({ autoFocus, onGone }: { autoFocus?: boolean; onGone?: () => void }) {
  const id = useId();
  const { unit } = useSettings();
  const { lathes, lathe, setLathe, isPending } = useLatheChosen();
  const [callout, setCallout] = useDraft('callout', '', true);
  const [browse, setBrowse] = useState(false);
  const [settled] = useDebouncedValue(callout, 120);
  const read = useQuery({
    queryKey: ['callout', settled],
    queryFn: async ({ signal }) => unwrap(await api.POST('/api/v1/callout', { body: { text: settled }, signal })),
    enabled: settled.trim() !== '',
    placeholderData: keepPreviousData,
  });
  const reads = settled.trim() !== '' ? read.data?.reads : undefined;
  const plan = useQuery({
    queryKey: ['card', settled, lathe],
    // An older request is dropped for a newer one; the last card stays on screen meanwhile.
    queryFn: async ({ signal }) =>
      unwrap(
        await api.POST('/api/v1/plan', { body: { thread: { callout: settled }, lathe_id: lathe } as never, signal }),
      ),
    enabled: Boolean(reads) && !isPending,
    placeholderData: keepPreviousData,
  });
  const make = useMakeJob();
  const enter = () => {
    if (!callout.trim()) return;
    make.mutate(
      { callout, lathe_id: lathe },
      {
        onSuccess: () => {
          setCallout('');
          onGone?.();
        },
      },
    );
  };
  const missing = settled.trim() !== '' && read.data && !read.data.reads ? read.data : undefined;
  return (
    <section className="type-and-go">
      <form
        onSubmit={e => {
          e.preventDefault();
          enter();
        }}
      >
        <label htmlFor={id}>{text('page-cut')}</label>
        <input
          id={id}
          value={callout}
          autoFocus={autoFocus}
          data-autofocus={autoFocus ? true : undefined}
          autoComplete="off"
          spellCheck={false}
          placeholder={text('frame-callout-examples')}
          aria-label={text('page-callout')}
          aria-describedby={`${id}-says`}
          onChange={e => {
            make.reset();
            setCallout(e.currentTarget.value);
          }}
        />
        {lathe && (
          <label className="on-lathe">
            {text('frame-on-the')}{' '}
            <select
              value={lathe}
              onChange={e => setLathe(e.currentTarget.value)}
              aria-label={text('frame-lathe-bare-callout')}
            >
              {lathes.map(l => (
                <option key={l.id} value={l.id ?? ''}>
                  {l.name}
                </option>
              ))}
            </select>
          </label>
        )}
        <button type="button" className="act plain" onClick={() => setBrowse(true)}>
          {text('frame-sizes-of-a-series')}
        </button>
        <button type="submit" className="act" disabled={!callout.trim()}>
          {text('frame-make-a-job')}
        </button>
      </form>
      <Leaf title={text('frame-standard-sizes')} open={browse} onClose={() => setBrowse(false)}>
        <Sizes
          take={callout => {
            setCallout(callout);
            setBrowse(false);
          }}
        />
      </Leaf>
      <div id={`${id}-says`} className="says" aria-live="polite">
        {make.isError ? (
          <p className="fault">{inWords(make.error)}</p>
        ) : missing ? (
          <>
            <p className="fault">{missing.missing}</p>
            {missing.near.length > 0 && (
              <p className="row">
                {said('frame-near-it', {
                  near: missing.near.map(n => (
                    <button key={n} type="button" className="near" onClick={() => setCallout(n)}>
                      {n}
                    </button>
                  )),
                })}
              </p>
            )}
          </>
        ) : reads ? (
          <p>
            {said('frame-enter-makes-job', {
              reads: <b>{reads.name}</b>,
              side: reads.side,
              pitch: reads.pitch,
              series: reads.series,
            })}
          </p>
        ) : null}
      </div>
      {reads && plan.data && isPointed(plan.data) && (
        <Card plan={plan.data} unit={unit ?? (plan.data.thread.inch ? 'in' : 'mm')} told={Boolean(lathe)} />
      )}
      {reads && plan.isError && <p className="fault">{inWords(plan.error)}</p>}
    </section>
  );
}
