import { useDebouncedValue } from '@mantine/hooks';
import { keepPreviousData, useQuery } from '@tanstack/react-query';
import { useId, useState } from 'react';
import { api, inWords, type Plan, unwrap } from '../api/client';
import { useLathes, useMakeJob } from '../api/hooks';
import { useDraft } from '../parts/draft';
import { Carry } from '../parts/Carry';
import { Leaf } from '../parts/Leaf';
import { nutSays } from '../parts/text';
import { UnitContext } from '../parts/unit';
import { useSettings } from './Settings';
import { Sizes } from './Sizes';
import { say } from './voice';

/** What the half-nut does where no dial is followed. */
const NUT = {
  closed: 'keep closed',
  same_mark: 'same mark',
  hand: 'keep closed',
  chalk_marks: 'chalk marks',
  auto: 'keep closed',
};

/** The ten-second card: what goes to the bench for a plain thread. */
function Card({ plan, unit }: { plan: Plan; unit: 'mm' | 'in' }) {
  const { blank, gears, cut, gauge, thread } = plan;
  const hung = gears.hung?.train;
  return (
    <UnitContext value={unit}>
      <div className="card" aria-live="polite" aria-label={`Card for ${thread.name}`}>
        <Carry
          numbers={[
            {
              says: thread.side === 'external' ? 'Turn to' : 'Bore to',
              figure: blank.aim_mm,
              under: `pitch ${thread.pitch_text}, ${thread.hand}-hand`,
            },
            hung && {
              says: 'Gears',
              text: `${hung.drivers.join('·')} / ${hung.driven.join('·')}`,
              under: `${hung.gearbox === 'direct' ? '' : `gearbox ${hung.gearbox}, `}${hung.error_text}${hung.fits === false ? '; does not hang' : ''}`,
            },
            {
              says: say('{Half-nut}'),
              text:
                plan.setup.ending === 'dial'
                  ? {
                      any_position: 'anywhere',
                      every_mark: 'any mark',
                      marks: `every ${gears.dial.every} marks`,
                      keep_closed: 'keep closed',
                    }[gears.dial.rule]
                  : NUT[plan.setup.ending],
              under: nutSays(plan),
            },
            {
              says: cut.stop_says ? 'On the dial, then measure' : 'Depth on the dial',
              text: cut.full_depth?.text ?? '—',
              under: `${cut.full_depth?.slide === 'compound' ? say(`{compound} at ${cut.angle_deg}°`) : 'cross-slide'}, ${cut.full_depth?.reading ?? ''}`,
            },
            gauge.over_wires_mm
              ? { says: 'Over wires', figure: gauge.over_wires_mm.target, under: gauge.says }
              : { says: 'Pitch diameter', figure: cut.target_pitch_diameter_mm, under: gauge.says },
          ]}
        />
      </div>
    </UnitContext>
  );
}

/** Takes a callout as it is typed, shows its card, and makes a job of it on Enter. */
export function TypeAndGo({ autoFocus, onGone }: { autoFocus?: boolean; onGone?: () => void }) {
  const id = useId();
  const { lathe, setLathe, unit } = useSettings();
  const lathes = useLathes();
  const [text, setText] = useDraft('callout', '', true);
  const [browse, setBrowse] = useState(false);
  const [settled] = useDebouncedValue(text, 120);
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
    enabled: Boolean(reads),
    placeholderData: keepPreviousData,
  });
  const make = useMakeJob();
  const enter = () => {
    if (!text.trim()) return;
    make.mutate(
      { callout: text, lathe_id: lathe },
      {
        onSuccess: () => {
          setText('');
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
        <label htmlFor={id}>Cut</label>
        <input
          id={id}
          value={text}
          autoFocus={autoFocus}
          data-autofocus={autoFocus ? true : undefined}
          autoComplete="off"
          spellCheck={false}
          placeholder="M20, 7/8-9, Tr28x5, G1-1/4 …"
          aria-label="Callout"
          aria-describedby={`${id}-says`}
          onChange={e => {
            make.reset();
            setText(e.currentTarget.value);
          }}
        />
        <label className="on-lathe">
          on the{' '}
          <select value={lathe} onChange={e => setLathe(e.currentTarget.value)} aria-label="Lathe for a bare callout">
            {(lathes.data ?? []).map(l => (
              <option key={l.id} value={l.id ?? ''}>
                {l.name}
              </option>
            ))}
          </select>
        </label>
        <button type="button" className="act plain" onClick={() => setBrowse(true)}>
          Sizes
        </button>
        <button type="submit" className="act" disabled={!text.trim()}>
          Make a job
        </button>
      </form>
      <Leaf title="Standard sizes" open={browse} onClose={() => setBrowse(false)}>
        <Sizes
          take={callout => {
            setText(callout);
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
                Near it:
                {missing.near.map(n => (
                  <button key={n} type="button" className="near" onClick={() => setText(n)}>
                    {n}
                  </button>
                ))}
              </p>
            )}
          </>
        ) : reads ? (
          <p>
            <b>{reads.name}</b>, {reads.side}, {reads.pitch}, {reads.series}. Enter makes a job of it.
          </p>
        ) : null}
      </div>
      {reads && plan.data && <Card plan={plan.data} unit={unit ?? (plan.data.thread.inch ? 'in' : 'mm')} />}
      {reads && plan.isError && <p className="fault">{inWords(plan.error)}</p>}
    </section>
  );
}
