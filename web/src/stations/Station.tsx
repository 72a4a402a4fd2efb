import type { ReactNode } from 'react';
import type { Plan } from '../api/client';
import { WatchList } from '../parts/WatchList';
import { type Carried, Carry } from '../parts/Carry';
import type { StationId } from '../app/stations';

/** The three parts every station has: the drawing, the numbers to carry, what to watch. */
export function Station({
  id,
  plan,
  sentence,
  drawing,
  numbers,
  children,
}: {
  id: StationId;
  plan: Plan;
  sentence?: ReactNode;
  drawing: ReactNode;
  numbers: (Carried | false | null | undefined)[];
  children?: ReactNode;
}) {
  return (
    <div className="station">
      <div className="drawn">
        {sentence && <p className="sentence own">{sentence}</p>}
        <div className="drawing">{drawing}</div>
      </div>
      <aside>
        {/* What weighs comes before the numbers it weighs on. */}
        <WatchList watch={plan.watch} station={id} notes={false} />
        <Carry numbers={numbers} />
        {children}
        <WatchList watch={plan.watch} station={id} notes />
      </aside>
    </div>
  );
}
