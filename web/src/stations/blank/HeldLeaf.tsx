import { useWays } from '../../api/sheets';
import { useState } from 'react';
import { Word } from '../../app/Word';
import { Seen } from '../../drawing/Outline';
import { inWords } from '../../api/client';
import { type Patch, useChange } from '../../api/hooks';
import { Figure } from '../../parts/Figure';
import { Leaf } from '../../parts/Leaf';
import { LengthForm } from '../../parts/LengthForm';
import { useUnit } from '../../parts/unit';
import type { StationProps } from '../JobPage';
import { say } from '../../app/voice';
import { typed } from '../../parts/text';

const SUPPORT = [
  ['none', 'the chuck alone'],
  ['centre', 'chuck and tailstock'],
  ['steady', 'chuck, tailstock and steady'],
] as const;

type BlankPatch = NonNullable<Patch['blank']>;

const servingFirst = (list: StationProps['plan']['blank']['holdings']) =>
  [...list].sort((a, b) => Number(b.serves) - Number(a.serves));

/** How the work is held: the ways compared, and what the readings on it say. */
export function HeldLeaf({ job, plan, open, onClose }: StationProps & { open: boolean; onClose: () => void }) {
  return (
    <Leaf title="How it is held, and how true" open={open} onClose={onClose} wide>
      <Held job={job} plan={plan} key={job.revision} />
    </Leaf>
  );
}

function Held({ job, plan }: StationProps) {
  const unit = useUnit();
  const change = useChange(job);
  const { blank } = plan;
  const told = job.request.blank;
  const set = (patch: BlankPatch, told?: () => void) =>
    change.mutate({ request: { blank: patch } }, { onSuccess: told });
  const ways = useWays(job);
  // What was read of it is looked at first where it was read.
  const [view, setView] = useState<'held' | 'true'>(told?.runout_mm != null || told?.parallel ? 'true' : 'held');
  const seen = (holding: string) => {
    const drawing = ways.data?.holdings.find(s => s.holding === holding)?.drawing;
    return drawing && <Seen drawing={drawing} />;
  };
  const external = plan.thread.side === 'external';
  const toggle = (says: string, on: boolean, patch: BlankPatch) => (
    <button type="button" className="choice" aria-pressed={on} disabled={job.frozen} onClick={() => set(patch)}>
      {says}
    </button>
  );
  return (
    <div className="held">
      <div className="row" role="group" aria-label="Which of it">
        <button type="button" className="choice" aria-pressed={view === 'held'} onClick={() => setView('held')}>
          How it is held
        </button>
        <button type="button" className="choice" aria-pressed={view === 'true'} onClick={() => setView('true')}>
          How true it runs
        </button>
        {job.frozen && <p className="how">The cut has begun: its facts are frozen.</p>}
      </div>
      <p className="sentence own">
        {blank.slenderness && (
          <>
            It stands out{' '}
            <Word
              job={job}
              about="How far it stands out"
              set={told?.stick_out_mm != null}
              edit={{
                kind: 'length',
                value: '',
                patch: mm => ({ blank: { stick_out_mm: mm } }),
                clear: 'The threaded length',
              }}
            >
              {blank.slenderness.ratio.text}
            </Word>
            , in{' '}
            <Word
              job={job}
              about="What holds the far end"
              set={told?.support != null}
              edit={{
                kind: 'choice',
                choices: SUPPORT.map(([support, says]) => ({
                  says,
                  chosen: blank.slenderness?.support === support,
                  patch: { blank: { support } },
                })),
              }}
            >
              {SUPPORT.find(([id]) => id === blank.slenderness?.support)?.[1] ?? 'the chuck alone'}
            </Word>
            {blank.slenderness.bends_mm && (
              <>
                : the last cut bends it{' '}
                <Figure of={blank.slenderness.bends_mm} says="How much bending changes the diameter" /> on diameter
              </>
            )}
            .
          </>
        )}
        {!external && (
          <>
            Outside, the part is{' '}
            <Word
              job={job}
              about="Outside diameter of the part"
              set={told?.outside_mm != null}
              edit={{
                kind: 'length',
                value: typed(told?.outside_mm, unit),
                patch: mm => ({ blank: { outside_mm: mm } }),
                clear: 'Not told',
              }}
            >
              {blank.wall ? `such that ${blank.wall.says}` : 'not told: the wall is not judged'}
            </Word>
            {blank.wall ? '' : '.'}
          </>
        )}
      </p>
      {view === 'held' ? (
        <section aria-label="Ways of holding">
          <p className="how">Recommended because {blank.holding_reason}.</p>
          <div className="row">
            {toggle('It must run true to what is finished', Boolean(told?.runs_true), {
              runs_true: told?.runs_true ? null : true,
            })}
            {toggle('Another thread of it is finished', Boolean(told?.other_thread_finished), {
              other_thread_finished: told?.other_thread_finished ? null : true,
            })}
          </div>
          <div className="choices ways pictured">
            {servingFirst(blank.holdings).map(h => (
              <button
                key={h.holding}
                type="button"
                className={`choice${h.serves ? '' : ' unserving'}`}
                aria-pressed={h.chosen}
                disabled={job.frozen}
                onClick={() => set({ holding: h.holding })}
              >
                {seen(h.holding)}
                <span>
                  {h.says}
                  {h.recommended ? ' (recommended)' : ''}
                  {h.serves ? '' : ' (does not serve)'}
                  <small>{h.consequence}.</small>
                </span>
              </button>
            ))}
          </div>
        </section>
      ) : (
        <>
          <section aria-label="Run-out">
            <h3>The indicator on the work</h3>
            <div className="row">
              {toggle('as first held', !told?.rechucked, { rechucked: null })}
              {toggle('out and put back midway', Boolean(told?.rechucked), { rechucked: true })}
            </div>
            <LengthForm
              fields={[{ name: 'runout_mm', says: 'whole swing', value: told?.runout_mm }]}
              act="What does it do?"
              disabled={job.frozen}
              onSet={(mm, told) => set({ runout_mm: mm.runout_mm ?? null }, told)}
              onClear={told?.runout_mm != null ? () => set({ runout_mm: null }) : undefined}
              clear="Not read"
            />
            {blank.run_out && (
              <p>
                <Figure of={blank.run_out.off_mm} says={say('Off {center}')} /> {say('off {center}.')}{' '}
                {blank.run_out.does} <b>{blank.run_out.mend}</b>
              </p>
            )}
          </section>
          <section aria-label="Parallel test">
            <h3>Two diameters of one {external ? 'turned' : 'bored'} length</h3>
            <LengthForm
              fields={[
                {
                  name: 'free_mm',
                  says: external ? 'at the free end' : 'at the mouth',
                  value: told?.parallel?.free_mm,
                },
                {
                  name: 'headstock_mm',
                  says: external ? 'at the headstock end' : 'at the bottom',
                  value: told?.parallel?.headstock_mm,
                },
                { name: 'apart_mm', says: 'apart', value: told?.parallel?.apart_mm },
              ]}
              act="What does it do?"
              disabled={job.frozen}
              onSet={(mm, told) => set({ parallel: mm } as BlankPatch, told)}
              onClear={told?.parallel ? () => set({ parallel: null }) : undefined}
              clear="Not tested"
            />
            {blank.parallel && (
              <p>
                <Figure of={blank.parallel.taper_mm} says="Taper over the thread" /> over the thread.{' '}
                {blank.parallel.does} <b>{blank.parallel.mend}</b>
              </p>
            )}
          </section>
        </>
      )}
      {change.isError && (
        <p className="fault" role="alert">
          {inWords(change.error)}
        </p>
      )}
    </div>
  );
}
