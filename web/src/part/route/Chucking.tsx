import { useState } from 'react';
import type { RouteView } from '../../api/client';
import { Reorder } from '../../parts/Reorder';
import { TextForm } from '../../parts/TextForm';

type SetUpSaid = RouteView['said']['setups'][number];

/** One chucking: how it is held, its operations, and what must be true before the part leaves it. */
export function Chucking({
  n,
  setup,
  several,
  chosen,
  busy,
  onChoose,
  onTick,
  onOrder,
  onAdd,
  onHeld,
  onLeave,
}: {
  n: number;
  setup: SetUpSaid;
  several: boolean;
  chosen: string | null;
  busy: boolean;
  onChoose: (op: string) => void;
  onTick: (op: string, done: boolean) => void;
  onOrder: (ids: string[]) => void;
  onAdd: () => void;
  onHeld: (held: string) => void;
  onLeave: (leave: string[]) => void;
}) {
  const [telling, setTelling] = useState<'held' | 'leave' | null>(null);
  const own = setup.leave.slice(setup.leave_made).map(m => m.says);
  return (
    <section className="chucking" aria-label={`Set-up ${n}: ${setup.piece_says}, ${setup.held}`}>
      <header>
        <p>
          <b>
            {n} {several && setup.piece_says ? `${setup.piece_says}, ` : ''}
          </b>
          {setup.held}
        </p>
        <button type="button" className="choice" onClick={() => setTelling(telling === 'held' ? null : 'held')}>
          Held otherwise
        </button>
        <button type="button" className="choice" disabled={busy} onClick={onAdd}>
          Add an operation
        </button>
      </header>
      {telling === 'held' && (
        <TextForm
          label="How it is held"
          value={setup.held}
          onTold={text => {
            onHeld(text);
            setTelling(null);
          }}
        />
      )}
      <Reorder
        items={setup.ops.map(o => ({ ...o, id: o.id ?? '' }))}
        name={o => o.name}
        onOrder={ops => onOrder(ops.map(o => o.id))}
      >
        {op => (
          <>
            <button
              type="button"
              className={`op${op.done ? ' done-op' : ''}`}
              aria-pressed={chosen === op.id}
              onClick={() => onChoose(op.id)}
            >
              <span>{op.name}</span>
              <em>{op.takes_min < 1 ? '<1' : Math.round(op.takes_min)} min</em>
              {op.note && <small>Noted: {op.note}</small>}
            </button>
            <label className="tick">
              <input
                type="checkbox"
                checked={op.done != null}
                disabled={op.done === 'proven'}
                aria-label={`${op.name}: ${op.done === 'proven' ? 'done, as measured' : 'done'}`}
                onChange={e => onTick(op.id, e.currentTarget.checked)}
              />
            </label>
          </>
        )}
      </Reorder>
      <div className="leave">
        <h3>Before it leaves this chuck</h3>
        <ul>
          {setup.leave.map((must, i) => (
            <li key={`${must.says}${i}`} className={must.holds ? 'holds' : undefined}>
              <span aria-hidden="true">{must.holds ? '✓' : must.holds === false ? '□' : '·'}</span>
              <span>
                {must.says}
                {must.holds != null && <small> ({must.holds ? 'it is' : 'not yet'})</small>}
              </span>
              {i >= setup.leave_made && (
                <button
                  type="button"
                  className="choice"
                  disabled={busy}
                  onClick={() => onLeave(own.filter((_, k) => k !== i - setup.leave_made))}
                >
                  Strike out
                </button>
              )}
            </li>
          ))}
        </ul>
        {telling === 'leave' ? (
          <TextForm
            label="What else must be true"
            value=""
            onTold={text => {
              onLeave([...own, text]);
              setTelling(null);
            }}
          />
        ) : (
          <button type="button" className="choice" onClick={() => setTelling('leave')}>
            And…
          </button>
        )}
      </div>
    </section>
  );
}
