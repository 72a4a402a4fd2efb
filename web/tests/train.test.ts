import { expect, test } from 'vitest';
import type { TrainRow } from '../src/api/client';
import { speakIn } from '../src/app/voice';
import { lever, readTrain, train } from '../src/stations/gears/train';

const row = (drivers: number[], driven: number[], gearbox: string) => ({ drivers, driven, gearbox }) as TrainRow;

test('a train is its gears with the lever beside them, and the lever alone where gears cannot be changed', () => {
  speakIn({ words: 'american', texts: { 'gears-gearbox': ', gearbox {gearbox}' } });
  const said = (t: TrainRow) => train(t) + lever(t);
  expect(said(row([40, 60], [48, 127], 'direct'))).toBe('40·60 / 48·127');
  expect(said(row([40], [80], 'B'))).toBe('40 / 80, gearbox B');
  expect(said(row([], [], 'A4'))).toBe('A4');
});

test('what is written of a train reads back, and what does not read is not one', () => {
  expect(readTrain(train(row([40, 60], [48, 127], 'direct')))).toEqual({ drivers: [40, 60], driven: [48, 127] });
  expect(readTrain(' ')).toBeNull();
  for (const wrong of ['40', '40 / 48·127', '40 / x', '40 / 80 / 20']) expect(readTrain(wrong)).toBeUndefined();
});
