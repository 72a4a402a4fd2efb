import { useQuery } from '@tanstack/react-query';
import { type KeyboardEvent, useEffect, useId, useRef, useState } from 'react';
import { api, unwrap } from '../api/client';
import { figure } from '../parts/Figure';
import { useUnit } from '../parts/unit';
import { text } from './voice';

/** How many sizes stand to either side of the one looked at. */
const REACH = 3;

/** Standard sizes by series: arrows walk the series and the sizes, digits jump, Enter takes one. */
export function Sizes({ take }: { take: (callout: string) => void }) {
  const id = useId();
  const unit = useUnit();
  const list = useRef<HTMLDivElement>(null);
  const all = useQuery({
    queryKey: ['sizes'],
    queryFn: async () => unwrap(await api.GET('/api/v1/sizes')),
    staleTime: Infinity,
  });
  const [series, setSeries] = useState(0);
  const [at, setAt] = useState(0);
  const [typed, setTyped] = useState('');
  const groups = all.data ?? [];
  const group = groups[series];
  const sizes = group?.sizes ?? [];
  useEffect(() => list.current?.focus(), [all.data]);
  const move = (to: number) => setAt(Math.max(0, Math.min(sizes.length - 1, to)));
  const change = (to: number) => {
    const next = groups[(to + groups.length) % groups.length];
    if (!next) return;
    // The nearest diameter in the next series, so that walking across keeps the size in hand.
    const here = sizes[at]?.major_mm.value ?? 0;
    const near = next.sizes.reduce(
      (best, s, i) =>
        Math.abs(s.major_mm.value - here) < Math.abs((next.sizes[best]?.major_mm.value ?? 1e9) - here) ? i : best,
      0,
    );
    setSeries((to + groups.length) % groups.length);
    setAt(near);
  };
  const jump = (written: string) => {
    setTyped(written);
    const plain = (s: string) => s.toLowerCase().replaceAll(/[^0-9a-z./#×-]/g, '');
    const hit = sizes.findIndex(s =>
      plain(s.callout)
        .replace(/^(m|tr|g)/, '')
        .startsWith(plain(written)),
    );
    if (hit >= 0) setAt(hit);
  };
  const press = (e: KeyboardEvent) => {
    const keys: Record<string, () => void> = {
      ArrowDown: () => move(at + 1),
      ArrowUp: () => move(at - 1),
      PageDown: () => move(at + 5),
      PageUp: () => move(at - 5),
      Home: () => move(0),
      End: () => move(sizes.length - 1),
      ArrowRight: () => change(series + 1),
      ArrowLeft: () => change(series - 1),
      Backspace: () => jump(typed.slice(0, -1)),
      Enter: () => sizes[at] && take(sizes[at].callout),
    };
    const act = keys[e.key] ?? (/^[0-9./#-]$/.test(e.key) ? () => jump(typed + e.key) : undefined);
    if (!act) return;
    e.preventDefault();
    e.stopPropagation();
    if (e.key.startsWith('Arrow')) setTyped('');
    act();
  };
  return (
    <div className="sizes">
      <div className="series" role="radiogroup" aria-label={text('frame-series')}>
        {groups.map((g, i) => (
          <button
            key={g.series}
            type="button"
            role="radio"
            aria-checked={i === series}
            tabIndex={-1}
            onClick={() => {
              change(i);
              list.current?.focus();
            }}
          >
            {g.series}
          </button>
        ))}
      </div>
      <p className="how" aria-live="polite">
        {group?.says}
        {typed ? text('frame-looking-for', { typed }) : text('frame-arrows-walk-digits')}
      </p>
      <div
        ref={list}
        className="size-rule"
        role="listbox"
        tabIndex={0}
        aria-label={text('frame-sizes', { series: group?.series ?? '' })}
        aria-activedescendant={`${id}-${at}`}
        onKeyDown={press}
      >
        {Array.from({ length: 2 * REACH + 1 }, (_, k) => at - REACH + k).map(i => {
          const s = sizes[i];
          if (!s) return <div key={`none-${i}`} className="none" />;
          return (
            <div
              key={s.callout}
              id={`${id}-${i}`}
              role="option"
              aria-selected={i === at}
              onClick={() => (i === at ? take(s.callout) : setAt(i))}
            >
              <b>{s.callout}</b>
              <span>{s.pitch}</span>
              <span>{figure(s.major_mm, unit)}</span>
            </div>
          );
        })}
      </div>
      <button
        type="button"
        className="act"
        disabled={!sizes[at]}
        onClick={() => sizes[at] && take(sizes[at].callout)}
      >
        {sizes[at] ? text('frame-take', { callout: sizes[at].callout }) : text('frame-take-it')}
      </button>
    </div>
  );
}
