import { Link } from '@tanstack/react-router';
import { useDay } from '../api/hooks';
import { inWords } from '../api/client';
import { Leaf } from '../parts/Leaf';

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
  if (day.isError) return <p className="fault" role="alert">{inWords(day.error)}</p>;
  if (!day.data) return <p className="how">Weighing every order…</p>;
  const { steps, changes, as_given, left_out } = day.data;
  return (
    <>
      <p>
        {changes} {changes === 1 ? 'change' : 'changes'} in all{as_given > changes ? `, where the order of the board asks ${as_given}` : ''}. Counted: each gear, each lever, the compound swung, the bit changed, from what is on each lathe now.
      </p>
      <ol className="day">
        {steps.map((s) => (
          <li key={s.id}>
            <Link className="word" to="/jobs/$id/$station" params={{ id: s.id, station: 'gears' }}>
              {s.title}
            </Link>{' '}
            on the {s.lathe}: {s.changes.length ? s.changes.join('; ') : 'nothing to change'}.
          </li>
        ))}
      </ol>
      {left_out.length > 0 && <p className="how">Left out, finished or with no thread or train yet: {left_out.join(', ')}.</p>}
    </>
  );
}
