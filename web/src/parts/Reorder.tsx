import { type ReactNode, useEffect, useRef, useState } from 'react';
import { text } from '../app/voice';

/** Puts one of a list before the one now at a place. */
function moved<T>(list: T[], from: number, to: number): T[] {
  const rest = list.filter((_, i) => i !== from);
  return [...rest.slice(0, to), ...list.slice(from, from + 1), ...rest.slice(to)];
}

/**
 * A list that is put in another order by dragging its handles, by finger or mouse, or by the arrow keys on them. The new order is
 * told once, when the handle is let go.
 */
export function Reorder<T extends { id: string }>({
  items,
  name,
  onOrder,
  children,
  className,
}: {
  items: T[];
  name: (item: T) => string;
  onOrder: (items: T[]) => void;
  children: (item: T, at: number) => ReactNode;
  className?: string;
}) {
  const [held, setHeld] = useState<{ id: string; list: T[] } | null>(null);
  const list = useRef<HTMLOListElement>(null);
  const shown = held?.list ?? items;
  // Moved by key, a row takes its handle's focus along, once it stands in its new place.
  const keyed = useRef<{ id: string; from: number } | null>(null);
  useEffect(() => {
    const at = items.findIndex(i => i.id === keyed.current?.id);
    if (at < 0 || at === keyed.current?.from) return;
    keyed.current = null;
    list.current?.children[at]?.querySelector<HTMLElement>('.handle')?.focus();
  }, [items]);
  const drag = (y: number) => {
    if (!held) return;
    const from = held.list.findIndex(i => i.id === held.id);
    const rows = [...(list.current?.children ?? [])].map(row => row.getBoundingClientRect());
    // Past the middle of a neighbour it changes places with it.
    const to = rows.filter((r, i) => i !== from && y > r.top + r.height / 2).length;
    if (to !== from) setHeld({ id: held.id, list: moved(held.list, from, to) });
  };
  const drop = () => {
    if (held && held.list.some((i, at) => i.id !== items[at]?.id)) onOrder(held.list);
    setHeld(null);
  };
  return (
    <ol className={`reorder ${className ?? ''}`} ref={list}>
      {shown.map((item, at) => (
        <li key={item.id} className={held?.id === item.id ? 'held-row' : undefined}>
          <button
            type="button"
            className="handle"
            aria-label={text('parts-drag-move-up', { name: name(item) })}
            onPointerDown={e => {
              e.currentTarget.setPointerCapture(e.pointerId);
              setHeld({ id: item.id, list: items });
            }}
            onPointerMove={e => drag(e.clientY)}
            onPointerUp={drop}
            onPointerCancel={() => setHeld(null)}
            onKeyDown={e => {
              const to = e.key === 'ArrowUp' ? at - 1 : e.key === 'ArrowDown' ? at + 1 : -1;
              if (to < 0 || to >= items.length) return;
              e.preventDefault();
              keyed.current = { id: item.id, from: at };
              onOrder(moved(items, at, to));
            }}
          >
            <span aria-hidden="true">⇅</span>
          </button>
          {children(item, at)}
        </li>
      ))}
    </ol>
  );
}
