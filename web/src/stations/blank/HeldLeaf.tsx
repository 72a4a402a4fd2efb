import { useWays } from '../../api/sheets';
import { useState } from 'react';
import { Word } from '../../app/Word';
import { Seen } from '../../drawing/Outline';
import { inWords, isPointed } from '../../api/client';
import { type Patch, useChange } from '../../api/hooks';
import { Figure } from '../../parts/Figure';
import { Leaf } from '../../parts/Leaf';
import { LengthForm } from '../../parts/LengthForm';
import { useUnit } from '../../parts/unit';
import type { StationProps } from '../JobPage';
import { atHand } from './words';
import { said, spoken, text } from '../../app/voice';
import { typed } from '../../parts/text';

const SUPPORT = spoken(
  () =>
    [
      ['none', text('blank-the-chuck-alone')],
      ['centre', text('blank-chuck-and-tailstock')],
      ['steady', text('blank-chuck-tailstock-and-steady')],
    ] as const,
);

type BlankPatch = NonNullable<Patch['blank']>;

const servingFirst = (list: StationProps['plan']['blank']['holdings']) =>
  [...list].sort((a, b) => Number(b.serves) - Number(a.serves));

/** How the work is held: the ways compared, and what the readings on it say. */
export function HeldLeaf({ job, plan, open, onClose }: StationProps & { open: boolean; onClose: () => void }) {
  return (
    <Leaf title={text('blank-how-held-how')} open={open} onClose={onClose} wide>
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
  const ways = useWays(job, isPointed(plan));
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
      <div className="row" role="group" aria-label={text('blank-which-of-it')}>
        <button type="button" className="choice" aria-pressed={view === 'held'} onClick={() => setView('held')}>
          {text('page-how-it-is-held')}
        </button>
        <button type="button" className="choice" aria-pressed={view === 'true'} onClick={() => setView('true')}>
          {text('blank-how-true-it-runs')}
        </button>
        {job.frozen && <p className="how">{text('blank-cut-begun-facts')}</p>}
      </div>
      {atHand(blank, 'dog', 'arbor', 'collet', 'centre', 'steady', 'indicator').map(says => (
        <p key={says}>{says}</p>
      ))}
      <p className="sentence own">
        {blank.slenderness &&
          said('blank-it-stands-out-in', {
            ratio: (
              <Word
                job={job}
                about={text('blank-how-far-stands')}
                set={told?.stick_out_mm != null}
                edit={{
                  kind: 'length',
                  value: '',
                  patch: mm => ({ blank: { stick_out_mm: mm } }),
                  clear: text('blank-the-threaded-length'),
                }}
              >
                {blank.slenderness.ratio.text}
              </Word>
            ),
            held: (
              <Word
                job={job}
                about={text('blank-holds-far-end')}
                set={told?.support != null}
                edit={{
                  kind: 'choice',
                  choices: SUPPORT().map(([support, says]) => ({
                    says,
                    chosen: blank.slenderness?.support === support,
                    patch: { blank: { support } },
                  })),
                }}
              >
                {SUPPORT().find(([id]) => id === blank.slenderness?.support)?.[1] ?? text('blank-the-chuck-alone')}
              </Word>
            ),
            bends:
              blank.slenderness.bends_mm &&
              said('blank-last-cut-bends', {
                bends: <Figure of={blank.slenderness.bends_mm} says={text('blank-how-much-bending')} />,
              }),
          })}
        {!external &&
          said(blank.wall ? 'blank-outside-part-wall' : 'blank-outside-part-untold', {
            wall: (
              <Word
                job={job}
                about={text('blank-outside-diameter-part')}
                set={told?.outside_mm != null}
                edit={{
                  kind: 'length',
                  value: typed(told?.outside_mm, unit),
                  patch: mm => ({ blank: { outside_mm: mm } }),
                  clear: text('blank-not-told'),
                }}
              >
                {blank.wall ? text('blank-such-that', { wall: blank.wall.says }) : text('blank-told-wall-judged')}
              </Word>
            ),
          })}
      </p>
      {view === 'held' ? (
        <section aria-label={text('blank-ways-of-holding')}>
          <p className="how">{text('blank-recommended-because', { holding_reason: blank.holding_reason })}</p>
          <div className="row">
            {toggle(text('blank-must-run-true'), Boolean(told?.runs_true), {
              runs_true: told?.runs_true ? null : true,
            })}
            {toggle(text('blank-another-thread-finished'), Boolean(told?.other_thread_finished), {
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
                  {h.recommended ? ` ${text('page-recommended')}` : ''}
                  {h.serves ? '' : ` ${text('page-does-not-serve')}`}
                  <small>{h.consequence}.</small>
                </span>
              </button>
            ))}
          </div>
        </section>
      ) : (
        <>
          <section aria-label={text('blank-run-out')}>
            <h3>{text('blank-indicator-work')}</h3>
            <div className="row">
              {toggle(text('blank-as-first-held'), !told?.rechucked, { rechucked: null })}
              {toggle(text('blank-out-put-back'), Boolean(told?.rechucked), { rechucked: true })}
            </div>
            <LengthForm
              fields={[{ name: 'runout_mm', says: text('blank-whole-swing'), value: told?.runout_mm }]}
              act={text('blank-what-does-it-do')}
              disabled={job.frozen}
              onSet={(mm, told) => set({ runout_mm: mm.runout_mm ?? null }, told)}
              onClear={told?.runout_mm != null ? () => set({ runout_mm: null }) : undefined}
              clear={text('blank-not-read')}
            />
            {blank.run_out && (
              <p>
                {said('blank-off-center-by', {
                  off: <Figure of={blank.run_out.off_mm} says={text('blank-off-center')} />,
                })}{' '}
                {blank.run_out.does} <b>{blank.run_out.mend}</b>
              </p>
            )}
          </section>
          <section aria-label={text('blank-parallel-test')}>
            <h3>
              {text('blank-two-diameters-one', { made: external ? text('blank-turned') : text('blank-bored') })}
            </h3>
            <LengthForm
              fields={[
                {
                  name: 'free_mm',
                  says: external ? text('blank-at-the-free-end') : text('blank-at-the-mouth'),
                  value: told?.parallel?.free_mm,
                },
                {
                  name: 'headstock_mm',
                  says: external ? text('blank-at-the-headstock-end') : text('blank-at-the-bottom'),
                  value: told?.parallel?.headstock_mm,
                },
                { name: 'apart_mm', says: text('blank-apart'), value: told?.parallel?.apart_mm },
              ]}
              act={text('blank-what-does-it-do')}
              disabled={job.frozen}
              onSet={(mm, told) => set({ parallel: mm } as BlankPatch, told)}
              onClear={told?.parallel ? () => set({ parallel: null }) : undefined}
              clear={text('blank-not-tested')}
            />
            {blank.parallel && (
              <p>
                {said('blank-over-the-thread', {
                  taper: <Figure of={blank.parallel.taper_mm} says={text('blank-taper-over-the-thread')} />,
                  does: blank.parallel.does,
                  mend: <b>{blank.parallel.mend}</b>,
                })}
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
