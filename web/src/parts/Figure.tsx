import type { Quantity } from '../api/client';
import { useUnit } from './unit';
import { useWorking } from './Working';
import { text } from '../app/voice';

/** The figure as it is shown in the display unit; the texts are the core's. */
export function figure(quantity: Quantity, unit: 'mm' | 'in'): string {
  return unit === 'in' ? (quantity.inch ?? quantity.text) : quantity.text;
}

/** A figure in words or digits: opens the line of working it comes from, if it has one. */
export function Opens({ line, says, text: written }: { line?: number | null; says: string; text: string }) {
  const open = useWorking();
  if (line === undefined || line === null || !open) return <span className="figure">{written}</span>;
  return (
    <button
      type="button"
      className="figure opens"
      onClick={() => open(line)}
      aria-label={text('parts-figure-working', { says, text: written })}
    >
      {written}
    </button>
  );
}

/** A reckoned number: opens its working. */
export function Figure({ of, says }: { of: Quantity; says: string }) {
  return <Opens line={of.w} says={says} text={figure(of, useUnit())} />;
}
