import type { ReactNode } from 'react';
import type { Quantity } from '../api/client';
import { figure, Figure, Opens } from './Figure';
import { useUnit } from './unit';
import { text } from '../app/voice';

/** One number that goes to the bench. */
export interface Carried {
  says: string;
  figure?: Quantity | null;
  text?: string;
  /** The line of working a text opens. */
  line?: number | null;
  /** A few words or figures under it. */
  under?: ReactNode;
  /** A sentence or more about it: behind a word. */
  note?: ReactNode;
}

/** Letters of a figure that stand in half the width; of what stands under it. */
const HALF = 10;
const HALF_NOTED = 7;
const HALF_UNDER = 46;

/** The numbers there are. */
export const present = (numbers: (Carried | false | null | undefined)[]) =>
  numbers.filter((n): n is Carried => Boolean(n));

/** Cells two by two; one that would stand alone in its row, or needs it, takes the row. */
function ruled(numbers: Carried[], needs: (n: Carried) => boolean): [Carried, boolean][] {
  const cells: [Carried, boolean][] = [];
  for (let at = 0; at < numbers.length;) {
    const [one, next] = [numbers[at], numbers[at + 1]];
    if (one && next && !needs(one) && !needs(next)) {
      cells.push([one, false], [next, false]);
      at += 2;
    } else {
      if (one) cells.push([one, true]);
      at += 1;
    }
  }
  return cells;
}

/** The few numbers that go to the bench, large. */
export function Carry({ numbers, onNote }: { numbers: (Carried | false | null | undefined)[]; onNote?: () => void }) {
  const unit = useUnit();
  const cells = ruled(
    present(numbers),
    n =>
      (n.figure ? figure(n.figure, unit) : (n.text ?? '')).length > (n.note ? HALF_NOTED : HALF) ||
      (typeof n.under === 'string' && n.under.length > HALF_UNDER),
  );
  return (
    <dl className="carry" aria-label={text('parts-to-the-bench')}>
      {cells.map(([n, wide]) => (
        <div key={n.says} className={wide ? 'wide' : undefined}>
          <dt>{n.says}</dt>
          <dd>
            {n.figure ? (
              <Figure of={n.figure} says={n.says} />
            ) : (
              <Opens line={n.line} says={n.says} text={n.text ?? '—'} />
            )}
            {n.note && (
              <button
                type="button"
                className="why"
                aria-label={text('parts-more-about', { says: n.says })}
                onClick={onNote}
              >
                …
              </button>
            )}
            {n.under && <small>{n.under}</small>}
          </dd>
        </div>
      ))}
    </dl>
  );
}
