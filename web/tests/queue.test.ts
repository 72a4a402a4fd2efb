import { describe, expect, it } from 'vitest';
import { Refused } from '../src/api/client';
import { drain, keep, kept, type Keeper, type Waiting } from '../src/api/queue';

/** A store of one's own, as the browser's is: text under names. */
function store(): Keeper & { held: Map<string, string> } {
  const held = new Map<string, string>();
  return { held, getItem: name => held.get(name) ?? null, setItem: (name, text) => void held.set(name, text) };
}

const act = (id: string): Waiting => ({
  id,
  act: { kind: 'note', text: id },
  happened: '2026-05-04T09:00:00Z',
  seen: 0,
});
const refused = (status: number) => new Refused({ type: '', title: 'No', status, detail: 'Not so' });

describe('what waits for the server', () => {
  it('is sent in order and kept until it is acknowledged', async () => {
    const keeper = store();
    keep(keeper, 'rod', [act('a'), act('b')]);
    const sent: string[] = [];
    const drained = await drain(keeper, 'rod', async ({ id }) => {
      // Still there while it is on its way, so that a page closed now loses nothing.
      expect(kept(keeper, 'rod')[0]?.id).toBe(id);
      sent.push(id);
    });
    expect([sent, kept(keeper, 'rod'), drained]).toEqual([['a', 'b'], [], { cutOff: null, refusal: null }]);
  });

  it('stays whole when the server is away, and what came meanwhile is sent after it', async () => {
    const keeper = store();
    keep(keeper, 'rod', [act('a')]);
    const away = await drain(keeper, 'rod', () => Promise.reject(new TypeError('network')));
    expect(away.cutOff).toBe('the server does not answer.');
    expect(kept(keeper, 'rod').map(w => w.id)).toEqual(['a']);
    const sent: string[] = [];
    await drain(keeper, 'rod', async ({ id }) => {
      if (id === 'a') keep(keeper, 'rod', [...kept(keeper, 'rod'), act('late')]);
      sent.push(id);
    });
    expect(sent).toEqual(['a', 'late']);
  });

  it('holds on a fault of the server and says which, but lets go of what is refused', async () => {
    const keeper = store();
    keep(keeper, 'rod', [act('bad'), act('good'), act('full')]);
    const drained = await drain(keeper, 'rod', async ({ id }) => {
      if (id === 'bad') throw refused(422);
      if (id === 'full') throw refused(507);
    });
    expect(drained.cutOff).toBe('Not so.');
    expect(drained.refusal).toContain('Not so');
    expect(kept(keeper, 'rod').map(w => w.id)).toEqual(['full']);
  });

  it('of one job is nothing of another, and text that is no list is none', () => {
    const keeper = store();
    keep(keeper, 'rod', [act('a')]);
    expect(kept(keeper, 'cap')).toEqual([]);
    keeper.setItem('outbox:cap', '{');
    expect(kept(keeper, 'cap')).toEqual([]);
  });
});
