import { Link } from '@tanstack/react-router';
import { useDay, useOrderDay } from '../api/hooks';
import { inWords } from '../api/client';
import { Leaf } from '../parts/Leaf';
import { Reorder } from '../parts/Reorder';
import { said, text } from '../app/voice';
import { WhatNow } from './WhatNow';

/** The day's order: the jobs of the board put so that gears, levers, compound and bit are changed least. */
export function DayLeaf({ open, onClose }: { open: boolean; onClose: () => void }) {
  return (
    <Leaf title={text('board-the-days-order')} open={open} onClose={onClose} wide>
      {open && <Order />}
    </Leaf>
  );
}

function Order() {
  const day = useDay();
  const order = useOrderDay();
  if (day.isError)
    return (
      <p className="fault" role="alert">
        {inWords(day.error)}
      </p>
    );
  if (!day.data) return <p className="how">{text('board-weighing-every-order')}</p>;
  const { steps, changes, as_given, left_out, told, takes, now } = day.data;
  return (
    <>
      {now && <WhatNow now={now} />}
      <p>
        {text(changes === 1 ? 'board-one-change-in-all' : 'board-changes-in-all', {
          changes,
          order: told
            ? changes > as_given
              ? text('board-your-own-order', { as_given })
              : text('board-your-own-order-least')
            : as_given > changes
              ? text('board-where-order-board', { as_given })
              : '',
        })}
      </p>
      <Reorder className="day" items={steps} name={s => s.title} onOrder={to => order.mutate(to.map(s => s.id))}>
        {s => (
          <div>
            {said('board-on-the', {
              title: (
                <Link className="word" to="/jobs/$id/$station" params={{ id: s.id, station: 'gears' }}>
                  {s.title}
                </Link>
              ),
              lathe: s.lathe,
              changes: s.changes.length ? s.changes.join('; ') : text('board-nothing-to-change'),
            })}
            <p className="how">
              {text(s.begun ? 'board-takes-begun' : 'board-takes', { takes: s.takes, until: s.until })}
            </p>
            {s.at_hand.length > 0 && (
              <p className="at-hand">{text('board-at-hand', { at_hand: s.at_hand.join('; ') })}</p>
            )}
          </div>
        )}
      </Reorder>
      {takes.length > 0 && <p className="how">{text('board-day-takes', { takes: takes.join(', ') })}</p>}
      {order.isError && (
        <p className="fault" role="alert">
          {inWords(order.error)}
        </p>
      )}
      {told && (
        <button type="button" className="act plain" disabled={order.isPending} onClick={() => order.mutate([])}>
          {text('board-back-order-changes')}
        </button>
      )}
      {left_out.length > 0 && (
        <p className="how">{text('board-left-out-finished', { left_out: left_out.join(', ') })}</p>
      )}
    </>
  );
}
