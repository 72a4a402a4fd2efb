/** The stations, in the order of the work. */
export const STATIONS = [
  { id: 'thread', name: 'Thread' },
  { id: 'blank', name: 'Blank' },
  { id: 'gears', name: 'Gears' },
  { id: 'bit', name: '{Bit}' },
  { id: 'setup', name: 'Set-up' },
  { id: 'cut', name: 'Cut' },
  { id: 'gauge', name: 'Gauge' },
  { id: 'log', name: 'Log' },
] as const;

export type StationId = (typeof STATIONS)[number]['id'];

export const isStation = (id: string): id is StationId => STATIONS.some(s => s.id === id);
