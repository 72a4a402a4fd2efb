import { useLocalStorage, useMediaQuery } from '@mantine/hooks';
import { type QueryClient, useQueryClient } from '@tanstack/react-query';
import {
  createContext,
  Fragment,
  type ReactNode,
  useCallback,
  useContext,
  useEffect,
  useLayoutEffect,
  useMemo,
  useRef,
  useState,
  useSyncExternalStore,
} from 'react';
import { api, unwrap } from '../api/client';
import { askAt, askIn, begunWith, onOtherWords, speakIn, type Vocabulary, vocabulary } from './voice';

/** At the desk all is small and seen at once; at the bench letters and targets are large. */
export type Stands = 'desk' | 'bench';

/** How this screen is used: remembered here, never part of a job. */
interface SettingsValue {
  /** Display unit; null follows the drawing. */
  unit: 'mm' | 'in' | null;
  setUnit: (unit: 'mm' | 'in' | null) => void;
  /** Trade words, chosen once for every screen of the shop. */
  words: Vocabulary;
  setWords: (words: Vocabulary) => void;
  /** Whether single letters act. */
  letters: boolean;
  setLetters: (on: boolean) => void;
  /** Whether settings are said aloud at the lathe. */
  speak: boolean;
  setSpeak: (on: boolean) => void;
  /** Where this screen stands; nothing goes by what points at it. */
  stands: Stands | null;
  setStands: (stands: Stands | null) => void;
  /** While the screen is read beside the lathe it stands at the bench, whatever is set. */
  setBeside: (beside: boolean) => void;
  /** The lathe a bare callout was last planned on at this screen. */
  lathe: string | null;
  setLathe: (id: string) => void;
}

/** Asks for all that is shown in the voice as it now is; a first answer still on its way is not waited for. */
async function askAnew(queries: QueryClient) {
  await queries.cancelQueries();
  await queries.invalidateQueries();
}

const Context = createContext<SettingsValue | null>(null);

export function Settings({ children }: { children: ReactNode }) {
  const queries = useQueryClient();
  const [unit, keepUnit] = useLocalStorage<'mm' | 'in' | null>({
    key: 'unit',
    defaultValue: null,
    getInitialValueInEffect: false,
  });
  const [letters, setLetters] = useLocalStorage({
    key: 'letters',
    defaultValue: true,
    getInitialValueInEffect: false,
  });
  const [speak, setSpeak] = useLocalStorage({ key: 'speak', defaultValue: false, getInitialValueInEffect: false });
  const [lathe, setLathe] = useLocalStorage<string | null>({
    key: 'lathe',
    defaultValue: null,
    getInitialValueInEffect: false,
  });
  const [stands, setStands] = useLocalStorage<Stands | null>({
    key: 'stands',
    defaultValue: null,
    getInitialValueInEffect: false,
  });
  // A finger points coarsely: such a screen stands at the bench.
  const coarse = useMediaQuery('(pointer: coarse)', false, { getInitialValueInEffect: false });
  const [beside, setBeside] = useState(false);
  const at = stands ?? (coarse ? 'bench' : 'desk');
  useLayoutEffect(() => {
    document.documentElement.dataset.stands = beside ? 'bench' : at;
  }, [at, beside]);
  askIn(unit);
  // Drawings are laid out for where the screen stands; beside the lathe there are none, and nothing is asked for anew.
  const wide = useMediaQuery('(min-width: 1200px)', false, { getInitialValueInEffect: false });
  // On a telephone there is as little room for letters as there is two steps away.
  const narrow = useMediaQuery('(max-width: 600px)', false, { getInitialValueInEffect: false });
  const lays = at === 'bench' && wide ? 'bench_wide' : narrow ? 'bench' : at;
  askAt(lays);
  const words = useSyncExternalStore(onOtherWords, vocabulary);
  const asked = `${lays} ${words}`;
  const last = useRef(`${lays} ${begunWith()}`);
  useEffect(() => {
    if (last.current !== asked) void askAnew(queries);
    last.current = asked;
  }, [asked, queries]);
  // What is shown stays until the same comes in the other voice.
  const setUnit = useCallback(
    (unit: 'mm' | 'in' | null) => {
      keepUnit(unit);
      askIn(unit);
      void askAnew(queries);
    },
    [keepUnit, queries],
  );
  const setWords = useCallback(
    (words: Vocabulary) =>
      void api.PUT('/api/v1/words', { body: { words } }).then(answer => {
        speakIn(unwrap(answer));
      }),
    [],
  );
  const value = useMemo(
    () => ({
      unit,
      setUnit,
      words,
      setWords,
      letters,
      setLetters,
      speak,
      setSpeak,
      stands,
      setStands,
      setBeside,
      lathe,
      setLathe,
    }),
    [unit, setUnit, words, setWords, letters, setLetters, speak, setSpeak, stands, setStands, lathe, setLathe],
  );
  return (
    <Context value={value}>
      {/* The pages' own words are said anew when others are chosen. */}
      <Fragment key={words}>{children}</Fragment>
    </Context>
  );
}

/** The unit a job is shown in: as chosen, else as its drawing has it. */
export function useShownIn(plan: { thread: { inch: boolean } } | null | undefined): 'mm' | 'in' {
  return useSettings().unit ?? (plan?.thread.inch ? 'in' : 'mm');
}

/** Beside the lathe: large letters and targets for as long as this is shown. */
export function useAtTheBench() {
  const { setBeside } = useSettings();
  useLayoutEffect(() => {
    setBeside(true);
    return () => setBeside(false);
  }, [setBeside]);
}

export function useSettings(): SettingsValue {
  const value = useContext(Context);
  if (!value) throw new Error('Settings are missing above this component');
  return value;
}
