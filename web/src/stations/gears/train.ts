import type { TrainRow } from '../../api/client';
import { text } from '../../app/voice';

type Hung = Pick<TrainRow, 'drivers' | 'driven'> & { gearbox?: string };

/** Gears that cannot be changed are none: a train is a place of the levers. */
export const byLevers = (t: Hung) => t.drivers.length === 0;
/** A train as it is written: drivers over driven, spindle end first; the lever where gears cannot be changed. */
export const train = (t: Hung) =>
  byLevers(t) ? (t.gearbox ?? '') : `${t.drivers.join('·')} / ${t.driven.join('·')}`;
/** Its lever beside its gears, where there are levers. */
export const lever = (t: TrainRow) =>
  t.gearbox === 'direct' || byLevers(t) ? '' : text('gears-gearbox', { gearbox: t.gearbox });

/** A train as it is typed, `40·60 / 48·127`; null where nothing is, undefined where it does not read. */
export function readTrain(written: string): { drivers: number[]; driven: number[] } | null | undefined {
  if (!written.trim()) return null;
  const [drivers, driven, more] = written.split('/').map(side =>
    side
      .split(/[\s,·.x×*]+/)
      .filter(Boolean)
      .map(Number),
  );
  if (
    !drivers ||
    !driven ||
    more ||
    drivers.length !== driven.length ||
    !drivers.length ||
    [...drivers, ...driven].some(t => !Number.isInteger(t))
  )
    return undefined;
  return { drivers, driven };
}
