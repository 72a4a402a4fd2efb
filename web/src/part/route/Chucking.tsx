import { useState } from 'react';
import type { RouteView } from '../../api/client';
import { Reorder } from '../../parts/Reorder';
import { TextForm } from '../../parts/TextForm';
import { text } from '../../app/voice';

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
    <section
      className="chucking"
      aria-label={text('route-set-up', { n, piece_says: setup.piece_says, held: setup.held })}
    >
      <header>
        <p>
          <b>
            {n} {several && setup.piece_says ? `${setup.piece_says}, ` : ''}
          </b>
          {setup.held}
        </p>
        <button type="button" className="choice" onClick={() => setTelling(telling === 'held' ? null : 'held')}>
          {text('route-held-otherwise')}
        </button>
        <button type="button" className="choice" disabled={busy} onClick={onAdd}>
          {text('route-add-an-operation')}
        </button>
      </header>
      {telling === 'held' && (
        <TextForm
          name={`held:${n}`}
          label={text('page-how-it-is-held')}
          value={setup.held}
          onTold={written => {
            onHeld(written);
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
              <em>{text('route-min', { takes_min: op.takes_min < 1 ? '<1' : Math.round(op.takes_min) })}</em>
              {op.note && <small>{text('route-noted', { note: op.note })}</small>}
            </button>
            <label className="tick">
              <input
                type="checkbox"
                checked={op.done != null}
                disabled={op.done === 'proven'}
                aria-label={`${op.name}: ${op.done === 'proven' ? text('route-done-as-measured') : text('route-done')}`}
                onChange={e => onTick(op.id, e.currentTarget.checked)}
              />
            </label>
          </>
        )}
      </Reorder>
      <div className="leave">
        <h3>{text('route-before-leaves-chuck')}</h3>
        <ul>
          {setup.leave.map((must, i) => (
            <li key={`${must.says}${i}`} className={must.holds ? 'holds' : undefined}>
              <span aria-hidden="true">{must.holds ? '✓' : must.holds === false ? '□' : '·'}</span>
              <span>
                {must.says}
                {must.holds != null && <small> ({must.holds ? text('route-it-is') : text('page-not-yet')})</small>}
              </span>
              {i >= setup.leave_made && (
                <button
                  type="button"
                  className="choice"
                  disabled={busy}
                  onClick={() => onLeave(own.filter((_, k) => k !== i - setup.leave_made))}
                >
                  {text('page-strike-out')}
                </button>
              )}
            </li>
          ))}
        </ul>
        {telling === 'leave' ? (
          <TextForm
            name={`leaves:${n}`}
            label={text('route-else-must-true')}
            value=""
            onTold={written => {
              onLeave([...own, written]);
              setTelling(null);
            }}
          />
        ) : (
          <button type="button" className="choice" onClick={() => setTelling('leave')}>
            {text('route-and')}
          </button>
        )}
      </div>
    </section>
  );
}
