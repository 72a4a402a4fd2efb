/** A key that does something: how the browser names it, how it is shown, and what it is for. */
import { spoken, text } from './voice';
interface Bound {
  keys: readonly string[];
  shown: string;
  says: string;
}

/** Every key there is, bound and explained from this one list, in the order it is shown. */
export const KEYMAP = spoken(
  () =>
    ({
      callout: { keys: ['/'], shown: '/', says: text('frame-type-callout-anywhere') },
      station: {
        keys: ['1', '2', '3', '4', '5', '6', '7', '8'],
        shown: '1 … 8',
        says: text('frame-go-to-a-station'),
      },
      rehearse: { keys: ['9'], shown: '9', says: text('rehearse-key-says') },
      move: { keys: ['ArrowLeft', 'ArrowRight'], shown: '← →', says: text('frame-move-carriage-one') },
      unit: { keys: ['i'], shown: 'I', says: text('frame-inch-or-metric') },
      working: { keys: ['w'], shown: 'W', says: text('frame-working-first-number') },
      pad: { keys: ['b'], shown: 'B', says: text('frame-blank-bench-pad') },
      lathe: { keys: ['l'], shown: 'L', says: text('frame-stand-at-the-lathe') },
      part: { keys: ['e'], shown: 'E', says: text('frame-part-drawn') },
      route: { keys: ['r'], shown: 'R', says: text('frame-route-part') },
      batch: { keys: ['a'], shown: 'A', says: text('frame-batch-several-parts') },
      paper: { keys: ['p'], shown: 'P', says: text('frame-paper-print-a-card') },
      done: { keys: [' '], shown: 'Space', says: text('frame-lathe-pass-done') },
      pedal: { keys: ['PageDown'], shown: 'Page Down', says: text('frame-same-pedal-clicker') },
      pedalBack: { keys: ['PageUp'], shown: 'Page Up', says: text('frame-lathe-undo-likewise') },
      measure: { keys: ['m'], shown: 'M', says: text('frame-lathe-gauge-type') },
      stands: { keys: ['d'], shown: 'D', says: text('frame-lathe-say-where') },
      undo: { keys: ['u'], shown: 'U', says: text('frame-lathe-shop-undo') },
      trouble: { keys: ['t'], shown: 'T', says: text('frame-gauge-lathe-trouble') },
      phase: { keys: ['n'], shown: 'N', says: text('frame-lathe-next-state') },
      happened: { keys: ['o'], shown: 'O', says: text('frame-lathe-something-else') },
      leave: { keys: ['Escape'], shown: 'Esc', says: text('frame-close-open-leave') },
      help: { keys: ['?'], shown: '?', says: text('frame-this-list') },
    }) as const satisfies Record<string, Bound>,
);

export type KeyAct = keyof ReturnType<typeof KEYMAP>;

/** What a key does among the acts a screen has, by how the browser names it. */
export function actOf(key: string, among: readonly KeyAct[]): KeyAct | undefined {
  const name = key.length === 1 ? key.toLowerCase() : key;
  return among.find(act => (KEYMAP()[act].keys as readonly string[]).includes(name));
}

/** Whether a key is a single letter, which may be switched off. */
export const isLetter = (key: string) => /^[a-z]$/i.test(key);
