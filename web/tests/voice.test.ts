import { beforeEach, describe, expect, it } from 'vitest';
import { askAt, asked, askIn, say, speakIn, text, vocabulary } from '../src/app/voice';

describe('the voice of the pages', () => {
  beforeEach(() => {
    speakIn({
      words: 'british',
      says: { compound: 'top slide', 'half-nut': 'clasp nut', center: 'centre' },
      texts: { 'lathe-to-go': '{n} to go', 'lathe-part': '{thread}, part {place}' },
    });
  });

  it('puts the words of the shop in by their keys, large where a sentence begins', () => {
    expect(say('{Half-nut} open, the {compound} leaning, between {center}s')).toBe(
      'Clasp nut open, the top slide leaning, between centres',
    );
    // A key nobody knows stands for itself.
    expect(say('{Gib} and {gib}')).toBe('Gib and gib');
    expect(vocabulary()).toBe('british');
  });

  it('says a text by its name with its parts, in whatever order they stand', () => {
    expect(text('lathe-to-go', { n: 3 })).toBe('3 to go');
    expect(text('lathe-part', { place: 2, thread: 'M16' })).toBe('M16, part 2');
    expect(text('nobody-says-this')).toBe('nobody-says-this');
  });

  it('asks the server in its own unit and words, and leaves what is asked for by name', () => {
    askIn('in');
    expect(asked({})).toBe('unit=in&words=british&stands=desk');
    expect(asked({ unit: 'mm', pitches: '1.25', none: undefined })).toBe(
      'unit=mm&words=british&stands=desk&pitches=1.25',
    );
    askIn(null);
    askAt('bench');
    expect(asked({})).toBe('unit=auto&words=british&stands=bench');
    askAt('desk');
  });
});
