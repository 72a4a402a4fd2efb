/**
 * The voice the pages are spoken in: the unit, the trade words chosen in the shop and where the screen stands, asked of the server with every request. Sentences are
 * the core's; the pages' own few take their words from the same list, by key: `say('Lean the {compound}')`.
 */

export type Vocabulary = 'american' | 'british' | 'german';

/** What drawings are laid out for: arm's length, or two steps away, on a tablet or a wide screen. */
export type Laid = 'desk' | 'bench' | 'bench_wide';

interface Words {
  words: Vocabulary;
  says: Record<string, string>;
  texts: Record<string, string>;
}

const KEPT = 'words';

let unit: 'mm' | 'in' | 'auto' = 'auto';
let stands: Laid = 'desk';
let chosen: Words = { words: 'american', says: {}, texts: {} };

/** The trade words chosen. */
export const vocabulary = () => chosen.words;

let begun: Vocabulary = 'american';

/** The trade words the first requests of the page asked for. */
export const begunWith = () => begun;

/** The language what is translated is in. */
export const language = () => (chosen.words === 'german' ? 'de' : 'en');

/** Unit asked for: one of the two, or the thread's own. */
export function askIn(asked: 'mm' | 'in' | null) {
  unit = asked ?? 'auto';
}

/** Where this screen stands: drawings are laid out for it. */
export function askAt(asked: Laid) {
  stands = asked;
}

const heard = new Set<() => void>();

/** Tells a listener when other words come than the pages were drawn with; answers how to stop. */
export function onOtherWords(listener: () => void) {
  heard.add(listener);
  return () => void heard.delete(listener);
}

/** Takes the words the server told, and keeps them for the next time a page opens. */
export function speakIn(told: Words) {
  const other = told.words !== chosen.words;
  chosen = told;
  if (other) for (const listener of heard) listener();
  try {
    localStorage.setItem(KEPT, JSON.stringify(told));
  } catch {
    // Not kept, they are asked for again.
  }
}

/** Has the words before the first page is drawn: those kept here, else those the server tells. */
export async function learnWords(): Promise<void> {
  try {
    const kept = localStorage.getItem(KEPT);
    if (kept) chosen = { ...chosen, ...(JSON.parse(kept) as Partial<Words>) };
  } catch {
    // Kept by nobody, or not readable.
  }
  const ask = fetch('/api/v1/words')
    .then(async answer => {
      if (answer.ok) speakIn((await answer.json()) as Words);
    })
    .catch(() => undefined);
  if (Object.keys(chosen.texts).length === 0) await ask;
  begun = chosen.words;
}

/** A sentence of the page with its words put in where their keys stand; a key with a large letter begins a sentence. */
export const say = (text: string) =>
  text.replace(/\{([A-Za-z-]+)\}/g, (whole, key: string) => {
    const word = chosen.says[key.toLowerCase()];
    if (word === undefined) return whole.slice(1, -1);
    return key === key.toLowerCase() ? word : word.charAt(0).toUpperCase() + word.slice(1);
  });

/** A text of the page by its name, from the one list of them, with its parts put in. */
export const text = (name: string, parts: Record<string, string | number> = {}) =>
  Object.entries(parts).reduce(
    (said, [part, value]) => said.replaceAll(`{${part}}`, typeof value === 'number' ? figure(value) : value),
    chosen.texts[name] ?? name,
  );

/** A number as the language divides off its part. */
const figure = (value: number) => (chosen.words === 'german' ? String(value).replace('.', ',') : String(value));

/** A request's query with the voice in it; what it asks for by name stands. */
export function asked(query: Record<string, unknown>): string {
  const told = new URLSearchParams({ unit, words: chosen.words, stands });
  for (const [name, value] of Object.entries(query)) {
    if (value !== undefined && value !== null) told.set(name, String(value));
  }
  return told.toString();
}
