import { describe, expect, it } from 'vitest';
import { at, put } from '../src/parts/fields';
import { bare, cap, typed } from '../src/parts/text';

describe('lengths typed back', () => {
  it('stand in the unit their field says it reads, and come back as they were', () => {
    expect([typed(18.25, 'mm'), typed(12.7, 'in'), typed(null, 'in'), typed(0, 'mm')]).toEqual([
      '18.25',
      '0.5',
      '',
      '0',
    ]);
    for (const mm of [18.25, 19.9, 0.31, 1234.567]) expect(Number(typed(mm, 'in')) * 25.4).toBeCloseTo(mm, 4);
  });
  it('an edit begins from the figure without its unit', () => {
    expect([bare('0.7482 in'), bare('12')]).toEqual(['0.7482', '12']);
    expect([cap('leadscrew'), cap('')]).toEqual(['Leadscrew', '']);
  });
});

describe('one field of a thing', () => {
  const arm = { arm: { slot_reach_mm: [60, 140], centre_mm: 180 } };
  it('is found by its place, or is not there', () => {
    expect([at(arm, 'arm.slot_reach_mm.1'), at(arm, 'arm.none.0'), at(arm, 'arm.centre_mm.x')]).toEqual([
      140,
      undefined,
      undefined,
    ]);
  });
  it('one end of a pair goes with the other, and a pair of nothing is nothing', () => {
    const patch: Record<string, unknown> = {};
    put(patch, arm, 'arm.slot_reach_mm.0', 70);
    expect(patch).toEqual({ arm: { slot_reach_mm: [70, 140] } });
    const none: Record<string, unknown> = {};
    put(none, { pair: [1, null] }, 'pair.0', null);
    expect(none).toEqual({ pair: null });
    expect(arm.arm.slot_reach_mm).toEqual([60, 140]);
  });
});
