import { expect, test } from 'vitest';
import { at, put } from '../src/parts/fields';

/** What several fields of a thing put together come to. */
const told = (whole: object, ...fields: [string, unknown][]) => {
  const patch: Record<string, unknown> = {};
  for (const [place, value] of fields) put(patch, whole, place, value);
  return patch;
};

test('a field inside another takes its neighbours with nothing', () => {
  expect(told({ dial: { teeth: 16 } }, ['dial.marks', 8])).toEqual({ dial: { marks: 8 } });
  expect(at({ arm: { slot_reach_mm: [40, 90] } }, 'arm.slot_reach_mm.1')).toBe(90);
});

test('both ends of a pair go together', () => {
  expect(told({ arm: { slot_reach_mm: [40, 90] } }, ['arm.slot_reach_mm.1', 100])).toEqual({
    arm: { slot_reach_mm: [40, 100] },
  });
  expect(
    told({ arm: { slot_reach_mm: [40, 90] } }, ['arm.slot_reach_mm.0', null], ['arm.slot_reach_mm.1', null]),
  ).toEqual({
    arm: { slot_reach_mm: null },
  });
});

test('a list of things goes whole, what is not touched in it as it was', () => {
  const whole = { more_arms: [{ name: 'long', stud_to_leadscrew_mm: 120 }, { name: 'own' }] };
  expect(
    told(
      whole,
      ['more_arms.0.stud_to_leadscrew_mm', 130],
      ['more_arms.0.slot_reach_mm.0', 50],
      ['more_arms.0.slot_reach_mm.1', 150],
    ),
  ).toEqual({
    more_arms: [{ name: 'long', stud_to_leadscrew_mm: 130, slot_reach_mm: [50, 150] }, { name: 'own' }],
  });
  // The first of them told, and all of it taken away again.
  expect(told({}, ['more_arms.0.name', 'long'])).toEqual({ more_arms: [{ name: 'long' }] });
  expect(told({ more_arms: [{ name: 'long' }] }, ['more_arms.0.name', null])).toEqual({ more_arms: null });
});
