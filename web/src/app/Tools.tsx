import { useComputedColorScheme, useMantineColorScheme } from '@mantine/core';
import { useState } from 'react';
import { Leaf } from '../parts/Leaf';
import { useSettings } from './Settings';
import { useKeys } from './keys';

const KEYS: [string, string][] = [
  ['/', 'type a callout, from anywhere'],
  ['1 … 8', 'go to a station'],
  ['← →', 'move the carriage one station'],
  ['I', 'inch or metric'],
  ['W', 'working of the first number'],
  ['B', 'at Blank: the bench pad'],
  ['L', 'stand at the lathe'],
  ['R', 'the route of the part'],
  ['A', 'the batch: several parts of this job'],
  ['P', 'paper: print a card'],
  ['Space', 'at the lathe: pass done; Page Down too, as a pedal or clicker sends'],
  ['M', 'at the lathe: type a measurement'],
  ['D', 'at the lathe: say where the dial stands'],
  ['U', 'at the lathe: undo'],
  ['T', 'at Gauge and at the lathe: trouble, from what is wrong to its cause'],
  ['N', 'at the lathe: the next state of the cycle'],
  ['O', 'at the lathe: something else happened'],
  ['Esc', 'close what is open'],
  ['?', 'this list'],
];

/** Unit, look and keys: the tools at the head of every screen. */
export function Tools({ unit, onUnit }: { unit?: 'mm' | 'in'; onUnit?: () => void }) {
  const { setColorScheme } = useMantineColorScheme();
  const scheme = useComputedColorScheme('light');
  const { letters, setLetters, speak, setSpeak } = useSettings();
  const [help, setHelp] = useState(false);
  useKeys({ '?': () => setHelp(true), ...(onUnit ? { i: onUnit } : {}) });
  return (
    <div className="head-tools">
      {onUnit && (
        <button
          type="button"
          className="tool"
          onClick={onUnit}
          aria-label={`Shown in ${unit}; change to ${unit === 'mm' ? 'in' : 'mm'}`}
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
        <div className="keys-list">
          {KEYS.map(([key, says]) => [<kbd key={key}>{key}</kbd>, <span key={says}>{says}</span>])}
        </div>
      </Leaf>
    </div>
  );
}
