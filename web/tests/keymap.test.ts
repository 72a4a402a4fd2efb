import { describe, expect, it } from 'vitest';
import { actOf, isLetter, KEYMAP, type KeyAct } from '../src/app/keymap';

describe('keys', () => {
  it('none is bound twice', () => {
    const all = Object.values(KEYMAP()).flatMap(bound => [...bound.keys]);
    expect(new Set(all).size).toBe(all.length);
  });
  it('a capital is its letter; a key a screen has no act for does nothing', () => {
    const among: KeyAct[] = ['measure', 'done', 'station'];
    expect([actOf('M', among), actOf(' ', among), actOf('7', among), actOf('u', among)]).toEqual([
      'measure',
      'done',
      'station',
      undefined,
    ]);
  });
  it('only single letters may be switched off', () => {
    expect(['m', 'M', ' ', 'PageDown', '1', '/', '?'].map(isLetter)).toEqual([
      true,
      true,
      false,
      false,
      false,
      false,
      false,
    ]);
  });
});
