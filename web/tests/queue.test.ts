import { speakIn } from '../src/app/voice';
import { describe, expect, it } from 'vitest';
import { Refused } from '../src/api/client';
import { amend, drain, keep, kept, type Keeper, mended, standing, type Waiting } from '../src/api/queue';

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
    expect([sent, kept(keeper, 'rod'), drained]).toEqual([['a', 'b'], [], null]);
  });

  it('stays whole when the server is away, and what came meanwhile is sent after it', async () => {
    const keeper = store();
    keep(keeper, 'rod', [act('a')]);
    speakIn({ words: 'american', texts: { 'parts-the-server-does-not-answer': 'the server does not answer.' } });
    const away = await drain(keeper, 'rod', () => Promise.reject(new TypeError('network')));
    expect(away).toBe('the server does not answer.');
    expect(kept(keeper, 'rod').map(w => w.id)).toEqual(['a']);
    const sent: string[] = [];
    await drain(keeper, 'rod', async ({ id }) => {
      if (id === 'a') keep(keeper, 'rod', [...kept(keeper, 'rod'), act('late')]);
      sent.push(id);
    });
    expect(sent).toEqual(['a', 'late']);
  });

  it('holds on a fault of the server and says which; what is refused is kept and marked, never dropped', async () => {
    const keeper = store();
    keep(keeper, 'rod', [act('bad'), act('good'), act('full')]);
    const away = await drain(keeper, 'rod', async ({ id }) => {
      if (id === 'bad') throw refused(422);
      if (id === 'full') throw refused(507);
    });
    expect(away).toBe('Not so.');
    expect(kept(keeper, 'rod').map(w => [w.id, w.refused?.status])).toEqual([
      ['bad', 422],
      ['full', undefined],
    ]);
    // A field that needs mending was never done at the lathe, and the next of its kind stands for it.
    expect(standing(kept(keeper, 'rod')).map(w => w.id)).toEqual(['full']);
    expect(mended(kept(keeper, 'rod'), { kind: 'note', text: 'mended' }).map(w => w.id)).toEqual(['full']);
  });

  it('waits behind an act the server has other facts for, until it is sent again or left out', async () => {
    const keeper = store();
    keep(keeper, 'rod', [act('stale'), act('after')]);
    const sent: string[] = [];
    const put = async ({ id, revision }: Waiting) => {
      if (id === 'stale' && revision !== 2) throw refused(409);
      sent.push(id);
    };
    await drain(keeper, 'rod', put);
    await drain(keeper, 'rod', put);
    expect([sent, standing(kept(keeper, 'rod')).map(w => w.id)]).toEqual([[], ['stale', 'after']]);
    amend(keeper, 'rod', 'stale', one => ({ ...one, revision: 2, refused: undefined }));
    await drain(keeper, 'rod', put);
    expect([sent, kept(keeper, 'rod')]).toEqual([['stale', 'after'], []]);
    keep(keeper, 'rod', [{ ...act('stale'), refused: { status: 404, says: 'no such job' } }, act('after')]);
    amend(keeper, 'rod', 'stale', () => null);
    await drain(keeper, 'rod', put);
    expect(sent).toEqual(['stale', 'after', 'after']);
  });

  it('of one job is nothing of another, and text that is no list is none', () => {
    const keeper = store();
    keep(keeper, 'rod', [act('a')]);
    expect(kept(keeper, 'cap')).toEqual([]);
    keeper.setItem('outbox:cap', '{');
    expect(kept(keeper, 'cap')).toEqual([]);
  });
});
