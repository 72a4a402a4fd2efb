import { describe, expect, it } from 'vitest';
import type { ActKind, Job, NextStep, Plan } from '../src/api/client';
import { speakIn } from '../src/app/voice';
import { follow } from '../src/stations/cut/follow';

const step = (n: number): NextStep =>
  ({ pass: { n, radial_mm: n / 10 }, setting: { text: `${n} div` }, says: `Set ${n} div.` }) as unknown as NextStep;
const steps = [3, 4, 5].map(step);
const plan = {
  run: { passes: [1, 2, 3, 4, 5].map(n => ({ n, radial_mm: n / 10 })) },
  cut: { passes: [1, 2, 3, 4, 5].map(n => ({ n, dial: [{ text: `${n} div` }] })) },
} as unknown as Plan;
const job = { run: { next: steps[0], schedule: steps, done: [1, 2], last_act: 'two' } } as unknown as Job;

const done = (n: number): ActKind => ({ kind: 'pass_done', n, radial_mm: n / 10 }) as ActKind;
const waiting = (...acts: [string, ActKind][]) => acts.map(([id, act]) => ({ id, act, happened: '', seen: 0 }));
const seen = (...acts: [string, ActKind][]) => {
  const view = follow(job, plan, waiting(...acts));
  return { next: view.next?.pass.n ?? null, left: view.left, last: view.last, hold: view.hold };
};

describe('what is shown while acts wait', () => {
  it('is as the server said when nothing waits', () => {
    expect(seen()).toEqual({ next: 3, left: 3, last: 'two', hold: false });
  });

  it('goes on pass by pass to the end', () => {
    expect(seen(['a', done(3)])).toEqual({ next: 4, left: 2, last: 'a', hold: false });
    expect(seen(['a', done(3)], ['b', done(4)], ['c', done(5)])).toMatchObject({ next: null, left: 0, hold: false });
  });

  it('goes back by undo, to passes of its own and then to those the server had', () => {
    expect(seen(['a', done(3)], ['u', { kind: 'undone', act: 'a' }])).toMatchObject({ next: 3, left: 3 });
    expect(seen(['u', { kind: 'undone', act: 'two' }])).toMatchObject({ next: 2, left: 4, hold: false });
  });

  it('a pass undone is named for what it is', () => {
    speakIn({
      words: 'american',
      texts: { 'pass-cut': 'Pass {n}', 'pass-scratch': 'Scratch pass', 'next-set': 'Set {setting}.' },
    });
    const kinds = ['scratch', 'cut'];
    const passes = plan.run.passes.map((pass, i) => ({ ...pass, kind: kinds[i] }));
    const known = { ...plan, run: { passes } } as unknown as Plan;
    const undone = (act: string) => [act, { kind: 'undone', act }] as [string, ActKind];
    const named = (...acts: [string, ActKind][]) => {
      const next = follow(job, known, waiting(...acts)).next;
      return [next?.name, next?.says];
    };
    expect(named(undone('two'))).toEqual(['Pass 2', 'Set 2 div.']);
    expect(named(undone('two'), undone('one'))).toEqual(['Scratch pass', 'Set 1 div.']);
  });

  it('a note changes nothing, a reading holds: the next depth may be another', () => {
    expect(seen(['n', { kind: 'note', text: 'x' } as ActKind])).toMatchObject({ next: 3, left: 3, hold: false });
    const reading = { kind: 'measured', over_wires_mm: 20 } as ActKind;
    expect(seen(['m', reading])).toEqual({ next: null, left: 3, last: 'two', hold: true });
    expect(seen(['m', reading], ['a', done(3)])).toMatchObject({ next: null, hold: true });
  });
});
