import type { Quantity } from '../api/client';
import { useUnit } from './unit';
import { useWorking } from './Working';

/** The figure as it is shown in the display unit; the texts are the core's. */
export function figure(quantity: Quantity, unit: 'mm' | 'in'): string {
  return unit === 'in' ? (quantity.inch ?? quantity.text) : quantity.text;
}

/** A reckoned number: opens its working. */
export function Figure({ of, says }: { of: Quantity; says: string }) {
  const unit = useUnit();
  const open = useWorking();
  const text = figure(of, unit);
  const line = of.w;
  if (line === undefined || line === null || !open) return <span className="figure">{text}</span>;
  return (
    <button type="button" className="figure opens" onClick={() => open(line)} aria-label={`${says}: ${text}. Show the working`}>
      {text}
    </button>
  );
}
