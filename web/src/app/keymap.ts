/** A key that does something: how the browser names it, how it is shown, and what it is for. */
interface Bound {
  keys: readonly string[];
  shown: string;
  says: string;
}

/** Every key there is, bound and explained from this one list, in the order it is shown. */
export const KEYMAP = {
  callout: { keys: ['/'], shown: '/', says: 'type a callout, from anywhere' },
  station: { keys: ['1', '2', '3', '4', '5', '6', '7', '8'], shown: '1 … 8', says: 'go to a station' },
  move: { keys: ['ArrowLeft', 'ArrowRight'], shown: '← →', says: 'move the carriage one station' },
  unit: { keys: ['i'], shown: 'I', says: 'inch or metric' },
  working: { keys: ['w'], shown: 'W', says: 'working of the first number' },
  pad: { keys: ['b'], shown: 'B', says: 'at Blank: the bench pad' },
  lathe: { keys: ['l'], shown: 'L', says: 'stand at the lathe' },
  route: { keys: ['r'], shown: 'R', says: 'the route of the part' },
  batch: { keys: ['a'], shown: 'A', says: 'the batch: several parts of this job' },
  paper: { keys: ['p'], shown: 'P', says: 'paper: print a card' },
  done: { keys: [' '], shown: 'Space', says: 'at the lathe: pass done' },
  pedal: { keys: ['PageDown'], shown: 'Page Down', says: 'the same, as a pedal or clicker sends it' },
  pedalBack: { keys: ['PageUp'], shown: 'Page Up', says: 'at the lathe: undo, likewise' },
  measure: { keys: ['m'], shown: 'M', says: 'at the lathe and at Gauge: type a measurement' },
  stands: { keys: ['d'], shown: 'D', says: 'at the lathe: say where the dial stands' },
  undo: { keys: ['u'], shown: 'U', says: 'at the lathe and in the shop: undo' },
  trouble: { keys: ['t'], shown: 'T', says: 'at Gauge and at the lathe: trouble, from what is wrong to its cause' },
  phase: { keys: ['n'], shown: 'N', says: 'at the lathe: the next state of the cycle' },
  happened: { keys: ['o'], shown: 'O', says: 'at the lathe: something else happened' },
  leave: { keys: ['Escape'], shown: 'Esc', says: 'close what is open, or leave the lathe' },
  help: { keys: ['?'], shown: '?', says: 'this list' },
} as const satisfies Record<string, Bound>;

export type KeyAct = keyof typeof KEYMAP;

/** What a key does among the acts a screen has, by how the browser names it. */
export function actOf(key: string, among: readonly KeyAct[]): KeyAct | undefined {
  const name = key.length === 1 ? key.toLowerCase() : key;
  return among.find(act => (KEYMAP[act].keys as readonly string[]).includes(name));
}

/** Whether a key is a single letter, which may be switched off. */
export const isLetter = (key: string) => /^[a-z]$/i.test(key);
