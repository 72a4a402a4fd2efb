import { beforeEach, describe, expect, it } from 'vitest';
import { asked, askIn, say, speakIn, vocabulary } from '../src/app/voice';

describe('the voice of the pages', () => {
  beforeEach(() => {
    speakIn({ words: 'british', says: { compound: 'top slide', 'half-nut': 'clasp nut', center: 'centre' } });
  });

  it('puts the words of the shop in by their keys, large where a sentence begins', () => {
    expect(say('{Half-nut} open, the {compound} leaning, between {center}s')).toBe(
      'Clasp nut open, the top slide leaning, between centres',
    );
    // A key nobody knows stands for itself.
    expect(say('{Gib} and {gib}')).toBe('Gib and gib');
    expect(vocabulary()).toBe('british');
  });

  it('asks the server in its own unit and words, and leaves what is asked for by name', () => {
    askIn('in');
    expect(asked({})).toBe('unit=in&words=british');
    expect(asked({ unit: 'mm', pitches: '1.25', none: undefined })).toBe('unit=mm&words=british&pitches=1.25');
    askIn(null);
    expect(asked({})).toBe('unit=auto&words=british');
  });
});
