import { isValidElement, type ReactElement, type ReactNode } from 'react';
import { beforeEach, describe, expect, it } from 'vitest';
import { askAt, asked, askIn, said, speakIn, spoken, text, vocabulary } from '../src/app/voice';

describe('the voice of the pages', () => {
  beforeEach(() => {
    speakIn({
      words: 'british',
      texts: { 'lathe-to-go': '{n} to go', 'lathe-part': '{thread}, part {place}' },
    });
  });

  it('says a text by its name with its parts, in whatever order they stand', () => {
    expect(text('lathe-to-go', { n: 3 })).toBe('3 to go');
    expect(text('lathe-part', { place: 2, thread: 'M16' })).toBe('M16, part 2');
    // A part that is not there says nothing, and one part's words are never taken for another's name.
    expect(text('lathe-part', { place: null, thread: '{place}' })).toBe('{place}, part ');
    expect(vocabulary()).toBe('british');
  });

  it('puts an element where the text has its part, whatever the order', () => {
    const order = (parts: ReactNode) =>
      (parts as ReactElement<{ children: ReactNode }>[]).map(p => (isValidElement(p) ? p.props.children : p));
    expect(order(said('lathe-part', { place: 2, thread: 'M16' }))).toEqual(['', 'M16', ', part ', '2', '']);
  });

  it('makes a list of texts once, and again when other words come', () => {
    const list = spoken(() => [text('lathe-to-go', { n: 1 })]);
    expect(list()).toBe(list());
    speakIn({ words: 'german', texts: { 'lathe-to-go': 'noch {n}' } });
    expect(list()).toEqual(['noch 1']);
    expect(text('lathe-to-go', { n: 2.5 })).toBe('noch 2,5');
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
