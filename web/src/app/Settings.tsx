import { useLocalStorage } from '@mantine/hooks';
import { createContext, type ReactNode, useContext, useMemo } from 'react';

/** How this screen is used: remembered here, never part of a job. */
interface SettingsValue {
  /** Display unit; null follows the drawing. */
  unit: 'mm' | 'in' | null;
  setUnit: (unit: 'mm' | 'in' | null) => void;
  /** Whether single letters act. */
  letters: boolean;
  setLetters: (on: boolean) => void;
  /** Whether settings are said aloud at the lathe. */
  speak: boolean;
  setSpeak: (on: boolean) => void;
  /** The lathe a bare callout is planned on. */
  lathe: string;
  setLathe: (id: string) => void;
}

const Context = createContext<SettingsValue | null>(null);

export function Settings({ children }: { children: ReactNode }) {
  const [unit, setUnit] = useLocalStorage<'mm' | 'in' | null>({
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
  const [lathe, setLathe] = useLocalStorage({
    key: 'lathe',
    defaultValue: 'long-bed',
    getInitialValueInEffect: false,
  });
  const value = useMemo(
    () => ({ unit, setUnit, letters, setLetters, speak, setSpeak, lathe, setLathe }),
    [unit, setUnit, letters, setLetters, speak, setSpeak, lathe, setLathe],
  );
  return <Context value={value}>{children}</Context>;
}

/** The unit a job is shown in: as chosen, else as its drawing has it. */
export function useShownIn(plan: { thread: { inch: boolean } } | null | undefined): 'mm' | 'in' {
  return useSettings().unit ?? (plan?.thread.inch ? 'in' : 'mm');
}

export function useSettings(): SettingsValue {
  const value = useContext(Context);
  if (!value) throw new Error('Settings are missing above this component');
  return value;
}
