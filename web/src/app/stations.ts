/** The stations, in the order of the work. */
import { spoken, text } from './voice';
export const STATIONS = spoken(
  () =>
    [
      { id: 'thread', name: text('frame-thread') },
      { id: 'blank', name: text('frame-blank') },
      { id: 'gears', name: text('card-gears') },
      { id: 'bit', name: text('page-bit') },
      { id: 'setup', name: text('frame-set-up') },
      { id: 'cut', name: text('page-cut') },
      { id: 'gauge', name: text('frame-gauge') },
      { id: 'log', name: text('frame-log') },
      { id: 'rehearse', name: text('rehearse-page') },
    ] as const,
);

export type StationId = ReturnType<typeof STATIONS>[number]['id'];

export const isStation = (id: string): id is StationId => STATIONS().some(s => s.id === id);
