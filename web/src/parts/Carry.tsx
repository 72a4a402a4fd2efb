import type { ReactNode } from 'react';
import type { Quantity } from '../api/client';
import { Figure, Opens } from './Figure';

/** One number that goes to the bench. */
export interface Carried {
  says: string;
  figure?: Quantity | null;
  text?: string;
  /** The line of working a text opens. */
  line?: number | null;
  under?: ReactNode;
}

/** The few numbers that go to the bench, large. */
export function Carry({ numbers }: { numbers: (Carried | false | null | undefined)[] }) {
  return (
    <dl className="carry" aria-label="To the bench">
      {numbers
        .filter((n): n is Carried => Boolean(n))
        .map(n => (
          <div key={n.says}>
            <dt>{n.says}</dt>
            <dd>
              {n.figure ? (
                <Figure of={n.figure} says={n.says} />
              ) : (
                <Opens line={n.line} says={n.says} text={n.text ?? '—'} />
              )}
              {n.under && <small>{n.under}</small>}
            </dd>
          </div>
        ))}
    </dl>
  );
}
