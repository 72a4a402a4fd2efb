import { say } from '../../app/voice';
import { useState } from 'react';
import { inWords, type Job, type Plan } from '../../api/client';
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
  plan: Plan;
  open: boolean;
  onClose: () => void;
}) {
  const [editing, setEditing] = useState<Held | null>(null);
  const shut = () => {
    setEditing(null);
    onClose();
  };
  return (
    <Leaf title={editing ? 'A tool of the drawer' : say('{Bit}s, bars and inserts')} open={open} onClose={shut} wide>
      {open &&
        (editing ? (
          <ToolForm
            held={editing}
            kind={plan.thread.side}
            angle={plan.thread.included_angle_deg}
            where={job.title}
            back="Back to the drawer"
            done={() => setEditing(null)}
          />
        ) : (
          <Shelves job={job} plan={plan} edit={setEditing} done={shut} />
        ))}
    </Leaf>
  );
}

function Shelves({ job, plan, edit, done }: { job: Job; plan: Plan; edit: (held: Held) => void; done: () => void }) {
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
          The bore lets in {figure(drawer.span_mm, unit)} tip to back, and {figure(drawer.reach_mm, unit)} of reach is
          needed.
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
              <small> {tool.picked ? 'picked for this job' : tool.serves ? 'will do' : 'will not do'}</small>
            </h3>
            {tool.says.map(s => (
              <p key={s} className="how">
                {s}
              </p>
            ))}
            {tool.bends_mm && <p className="how">The last cut bends it {figure(tool.bends_mm, unit)}.</p>}
            <div className="row">
              <button
                type="button"
                className="choice"
                aria-pressed={tool.picked}
                disabled={job.frozen}
                onClick={() => pick(tool.picked ? null : tool.name)}
              >
                {tool.picked ? 'Put it back' : 'Use it here'}
              </button>
              {own && (
                <button type="button" className="choice" onClick={() => edit(own)}>
                  Change what is known of it
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
            {say('Add a {bit} or bar')}
          </button>
          <button
            type="button"
            className="act plain"
            onClick={() => edit({ shelf: 'inserts', index: kit.inserts?.length ?? 0 })}
          >
            Add an insert
          </button>
        </div>
      )}
    </div>
  );
}
