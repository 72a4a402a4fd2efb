import { Link } from '@tanstack/react-router';
import { useDay, useOrderDay } from '../api/hooks';
import { inWords } from '../api/client';
import { Leaf } from '../parts/Leaf';
import { Reorder } from '../parts/Reorder';
import { say } from '../app/voice';

/** The day's order: the jobs of the board put so that gears, levers, compound and bit are changed least. */
export function DayLeaf({ open, onClose }: { open: boolean; onClose: () => void }) {
  return (
    <Leaf title="The day’s order" open={open} onClose={onClose} wide>
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
  if (!day.data) return <p className="how">Weighing every order…</p>;
  const { steps, changes, as_given, left_out, told } = day.data;
  return (
    <>
      <p>
        {changes} {changes === 1 ? 'change' : 'changes'} in all
        {told
          ? changes > as_given
            ? `, in your own order; the least is ${as_given}`
            : ', in your own order, which is the least'
          : as_given > changes
            ? `, where the order of the board asks ${as_given}`
            : ''}
        {say(
          '. Counted: each gear, each lever, the {compound} swung, the {bit} changed, from what is on each lathe now.',
        )}
      </p>
      <Reorder className="day" items={steps} name={s => s.title} onOrder={to => order.mutate(to.map(s => s.id))}>
        {s => (
          <p>
            <Link className="word" to="/jobs/$id/$station" params={{ id: s.id, station: 'gears' }}>
              {s.title}
            </Link>{' '}
            on the {s.lathe}: {s.changes.length ? s.changes.join('; ') : 'nothing to change'}.
          </p>
        )}
      </Reorder>
      {order.isError && (
        <p className="fault" role="alert">
          {inWords(order.error)}
        </p>
      )}
      {told && (
        <button type="button" className="act plain" disabled={order.isPending} onClick={() => order.mutate([])}>
          Back to the order that changes least
        </button>
      )}
      {left_out.length > 0 && (
        <p className="how">Left out, finished or with no thread or train yet: {left_out.join(', ')}.</p>
      )}
    </>
  );
}
