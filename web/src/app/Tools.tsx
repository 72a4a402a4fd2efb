import { useComputedColorScheme, useMantineColorScheme } from '@mantine/core';
import { useState } from 'react';
import { Leaf } from '../parts/Leaf';
import { Radios } from '../parts/Radios';
import { useSettings } from './Settings';
import { KEYMAP } from './keymap';
import { useKeys } from './keys';
import { text } from './voice';

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
          aria-label={text(unit === 'mm' ? 'frame-mm-change' : 'frame-in-change')}
        >
          {unit}
        </button>
      )}
      <button type="button" className="tool" onClick={() => setColorScheme(scheme === 'dark' ? 'light' : 'dark')}>
        {scheme === 'dark' ? text('frame-light') : text('frame-dark')}
      </button>
      <button type="button" className="tool" onClick={() => setHelp(true)} aria-label={text('frame-keys')}>
        ?
      </button>
      <Leaf title={text('frame-keys')} open={help} onClose={() => setHelp(false)}>
        <label className="switch">
          <input type="checkbox" checked={letters} onChange={e => setLetters(e.currentTarget.checked)} />
          {text('frame-single-letters-act')}
        </label>
        <label className="switch">
          <input type="checkbox" checked={speak} onChange={e => setSpeak(e.currentTarget.checked)} />
          {text('frame-settings-said-aloud')}
        </label>
        <p className="how">{text('frame-this-screen-stands')}</p>
        <Radios
          about={text('frame-where-this-screen-stands')}
          choices={[
            { is: null, says: text('frame-points') },
            { is: 'desk' as const, says: text('frame-at-the-desk') },
            { is: 'bench' as const, says: text('frame-at-the-bench') },
          ]}
          chosen={is => is === stands}
          onChoose={setStands}
        />
        <p className="how">{text('frame-words-shop-every')}</p>
        <Radios
          about={text('frame-words-of-the-shop')}
          choices={[
            { is: 'american' as const, says: text('frame-compound-half-nut-center') },
            { is: 'british' as const, says: text('frame-top-slide-clasp') },
            { is: 'german' as const, says: text('frame-deutsch-lathe-card') },
          ]}
          chosen={is => is === words}
          onChoose={setWords}
        />
        <div className="keys-list">
          {Object.entries(KEYMAP()).map(([act, { shown, says }]) => [
            <kbd key={act}>{shown}</kbd>,
            <span key={says}>{says}</span>,
          ])}
        </div>
      </Leaf>
    </div>
  );
}
