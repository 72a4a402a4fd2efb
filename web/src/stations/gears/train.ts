import type { TrainRow } from '../../api/client';

/** A train as it is written: drivers over driven, spindle end first. */
export const train = (t: TrainRow) => `${t.drivers.join('·')} / ${t.driven.join('·')}`;
/** Its lever, where there are levers. */
export const lever = (t: TrainRow) => (t.gearbox === 'direct' ? '' : `, gearbox ${t.gearbox}`);
