/**
 * The voice the pages are spoken in: the unit, the trade words chosen in the shop and where the screen stands, asked of the server with every request. Sentences are
 * the core's; the pages' own stand in the same files, are told with the trade words put in, and are said by name: `text('lathe-to-go', { n })`.
 */
import { createElement, Fragment, type ReactNode } from 'react';
import type { Texts } from './texts';

export type Vocabulary = 'american' | 'british' | 'german';

/** What drawings are laid out for: arm's length, or two steps away, on a tablet or a wide screen. */
export type Laid = 'desk' | 'bench' | 'bench_wide';

interface Words {
  words: Vocabulary;
  texts: Record<string, string>;
}

const KEPT = 'words';

/** How long the words are waited for where some are kept. */
const ANSWERS_MS = 5000;

let unit: 'mm' | 'in' | 'auto' = 'auto';
let stands: Laid = 'desk';
let chosen: Words = { words: 'american', texts: {} };

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

/** Has the words before the first page is drawn: those the server tells, which are those of this page; those kept here where it does not answer. */
export async function learnWords(): Promise<void> {
  try {
    const kept = localStorage.getItem(KEPT);
    if (kept) chosen = { ...chosen, ...(JSON.parse(kept) as Partial<Words>) };
  } catch {
    // Kept by nobody, or not readable.
  }
  try {
    const answer = await fetch('/api/v1/words', { signal: AbortSignal.timeout(ANSWERS_MS) });
    if (answer.ok) speakIn((await answer.json()) as Words);
  } catch {
    // What was kept is spoken.
  }
  begun = chosen.words;
}

/** What a part of a text may be; nothing is said of what is not there. */
type Part = string | number | null | undefined | false;

type Name = keyof Texts;

/** What is told with a name: the parts of its text, and nothing where it has none. */
type Told<N extends Name, P> = [Texts[N]] extends [never] ? [name: N] : [name: N, parts: Record<Texts[N], P>];

/** A text of the page by its name, from the one list of them, with its parts put in. */
export function text<N extends Name>(...[name, parts]: Told<N, Part>): string {
  const given: Record<string, Part> = parts ?? {};
  return pieces(name)
    .map((piece, i) => (i % 2 === 0 ? piece : put(given[piece])))
    .join('');
}

/** The same where a part is an element of the page: the text says where among its words each stands. */
export function said<N extends Name>(...[name, parts]: Told<N, ReactNode>): ReactNode {
  const given: Record<string, ReactNode> = parts ?? {};
  return pieces(name).map((piece, i) => {
    const part = given[piece];
    return i % 2 === 0 ? piece : createElement(Fragment, { key: i }, typeof part === 'number' ? put(part) : part);
  });
}

/** What is made of texts, once for the words in use: a list that stands as long as the page does. */
export function spoken<T>(make: () => T): () => T {
  let made: { of: Words; is: T } | null = null;
  return () => {
    if (made?.of !== chosen) made = { of: chosen, is: make() };
    return made.is;
  };
}

/** A text taken apart: what stands between its parts, and between those their names. */
const pieces = (name: string) => (chosen.texts[name] ?? name).split(/\{([a-z0-9_]+)\}/);

const put = (part: Part) => (typeof part === 'number' ? figure(part) : part || '');

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
