import { useComputedColorScheme, useMantineColorScheme } from '@mantine/core';
import { useState } from 'react';
import { Leaf } from '../parts/Leaf';
import { Radios } from '../parts/Radios';
import { useSettings } from './Settings';
import { KEYMAP } from './keymap';
import { useKeys } from './keys';
import { say } from './voice';

/** Unit, look and keys: the tools at the head of every screen. */
export function Tools({ unit, onUnit }: { unit?: 'mm' | 'in'; onUnit?: () => void }) {
  const { setColorScheme } = useMantineColorScheme();
  const scheme = useComputedColorScheme('light');
  const { letters, setLetters, speak, setSpeak, words, setWords, stands, setStands } = useSettings();
  const [help, setHelp] = useState(false);
  useKeys({ help: () => setHelp(true), ...(onUnit ? { unit: onUnit } : {}) });
  return (
    <div className="head-tools">
      {onUnit && (
        <button
          type="button"
          className="tool"
          onClick={onUnit}
          aria-label={`${unit}: ${say(unit === 'mm' ? 'change to inches' : 'change to milli{meter}s')}`}
        >
          {unit}
        </button>
      )}
      <button type="button" className="tool" onClick={() => setColorScheme(scheme === 'dark' ? 'light' : 'dark')}>
        {scheme === 'dark' ? 'Light' : 'Dark'}
      </button>
      <button type="button" className="tool" onClick={() => setHelp(true)} aria-label="Keys">
        ?
      </button>
      <Leaf title="Keys" open={help} onClose={() => setHelp(false)}>
        <label className="switch">
          <input type="checkbox" checked={letters} onChange={e => setLetters(e.currentTarget.checked)} />
          Single letters act
        </label>
        <label className="switch">
          <input type="checkbox" checked={speak} onChange={e => setSpeak(e.currentTarget.checked)} />
          Settings said aloud at the lathe
        </label>
        <p className="how">This screen stands:</p>
        <Radios
          about="Where this screen stands"
          choices={[
            { is: null, says: 'as what points at it' },
            { is: 'desk' as const, says: 'at the desk' },
            { is: 'bench' as const, says: 'at the bench' },
          ]}
          chosen={is => is === stands}
          onChoose={setStands}
        />
        <p className="how">Words of the shop, on every screen:</p>
        <Radios
          about="Words of the shop"
          choices={[
            { is: 'american' as const, says: 'compound, half-nut, center' },
            { is: 'british' as const, says: 'top slide, clasp nut, centre' },
            { is: 'german' as const, says: 'Deutsch: at the lathe and on the card' },
          ]}
          chosen={is => is === words}
          onChoose={setWords}
        />
        <div className="keys-list">
          {Object.entries(KEYMAP).map(([act, { shown, says }]) => [
            <kbd key={act}>{shown}</kbd>,
            <span key={says}>{says}</span>,
          ])}
        </div>
      </Leaf>
    </div>
  );
}
