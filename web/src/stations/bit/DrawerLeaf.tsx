import { text } from '../../app/voice';
import { useState } from 'react';
import { inWords, type Job, type PointedPlan } from '../../api/client';
import { useChange, useKit } from '../../api/hooks';
import { figure } from '../../parts/Figure';
import { Leaf } from '../../parts/Leaf';
import { UNTOLD } from '../../parts/tip';
import { useUnit } from '../../parts/unit';
import { type Held, ToolForm } from '../../shop/ToolForm';

/** The drawer: which bits, bars and inserts will do, and the one picked. */
export function DrawerLeaf({
  job,
  plan,
  open,
  onClose,
}: {
  job: Job;
  plan: PointedPlan;
  open: boolean;
  onClose: () => void;
}) {
  const [editing, setEditing] = useState<Held | null>(null);
  const shut = () => {
    setEditing(null);
    onClose();
  };
  return (
    <Leaf
      title={editing ? text('page-tool-drawer') : text('bit-bits-bars-and-inserts')}
      open={open}
      onClose={shut}
      wide
    >
      {open &&
        (editing ? (
          <ToolForm
            held={editing}
            kind={plan.thread.side}
            angle={plan.thread.included_angle_deg}
            where={job.title}
            back={text('bit-back-to-the-drawer')}
            done={() => setEditing(null)}
          />
        ) : (
          <Shelves job={job} plan={plan} edit={setEditing} done={shut} />
        ))}
    </Leaf>
  );
}

function Shelves({
  job,
  plan,
  edit,
  done,
}: {
  job: Job;
  plan: PointedPlan;
  edit: (held: Held) => void;
  done: () => void;
}) {
  const { drawer } = plan.bit;
  const unit = useUnit();
  const kit = useKit().data;
  const change = useChange(job);
  const held = (name: string): Held | undefined =>
    (['bits', 'inserts'] as const)
      .map(shelf => ({ shelf, index: (kit?.[shelf] ?? []).findIndex(t => t.name === name) }))
      .find(h => h.index >= 0);
  // What was told of another bit does not belong to this one.
  const pick = (owned: string | null) =>
    change.mutate(
      {
        request: {
          bit: {
            owned,
            included_angle_deg: null,
            ...UNTOLD,
            leading_relief_deg: null,
            trailing_relief_deg: null,
            rake_deg: null,
            bar_diameter_mm: null,
          },
        },
      },
      { onSuccess: done },
    );
  return (
    <div className="held shelves">
      {drawer.span_mm && drawer.reach_mm && (
        <p>
          {text('bit-bore-lets-tip', { span: figure(drawer.span_mm, unit), reach: figure(drawer.reach_mm, unit) })}
        </p>
      )}
      {change.isError && (
        <p className="fault" role="alert">
          {inWords(change.error)}
        </p>
      )}
      {drawer.tools.map(tool => {
        const own = held(tool.name);
        return (
          <section key={tool.name} className={`plain-line owned${tool.serves ? '' : ' unfit'}`}>
            <h3>
              {tool.name}
              <small>
                {' '}
                {tool.picked
                  ? text('bit-picked-for-this-job')
                  : tool.serves
                    ? text('bit-will-do')
                    : text('bit-will-not-do')}
              </small>
            </h3>
            {tool.says.map(s => (
              <p key={s} className="how">
                {s}
              </p>
            ))}
            {tool.bends_mm && (
              <p className="how">{text('bit-last-cut-bends', { bends: figure(tool.bends_mm, unit) })}</p>
            )}
            <div className="row">
              <button
                type="button"
                className="choice"
                aria-pressed={tool.picked}
                disabled={job.frozen || tool.soft}
                onClick={() => pick(tool.picked ? null : tool.name)}
              >
                {tool.picked ? text('bit-put-it-back') : text('bit-use-it-here')}
              </button>
              {own && (
                <button type="button" className="choice" onClick={() => edit(own)}>
                  {text('bit-change-known')}
                </button>
              )}
            </div>
          </section>
        );
      })}
      {drawer.otherwise && <p>{drawer.otherwise}</p>}
      {kit && (
        <div className="row">
          <button
            type="button"
            className="act plain"
            onClick={() => edit({ shelf: 'bits', index: kit.bits?.length ?? 0 })}
          >
            {text('page-add-bit-bar')}
          </button>
          <button
            type="button"
            className="act plain"
            onClick={() => edit({ shelf: 'inserts', index: kit.inserts?.length ?? 0 })}
          >
            {text('page-add-an-insert')}
          </button>
        </div>
      )}
    </div>
  );
}
