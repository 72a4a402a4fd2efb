import type { TrainRow } from '../../api/client';

/** A train as it is written: drivers over driven, spindle end first. */
export const train = (t: Pick<TrainRow, 'drivers' | 'driven'>) => `${t.drivers.join('·')} / ${t.driven.join('·')}`;
/** Its lever, where there are levers. */
export const lever = (t: TrainRow) => (t.gearbox === 'direct' ? '' : `, gearbox ${t.gearbox}`);

/** A train as it is typed, `40·60 / 48·127`; null where nothing is, undefined where it does not read. */
export function readTrain(text: string): { drivers: number[]; driven: number[] } | null | undefined {
  if (!text.trim()) return null;
  const [drivers, driven, more] = text.split('/').map(side =>
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
