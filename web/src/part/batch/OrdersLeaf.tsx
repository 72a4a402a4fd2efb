import type { BatchFacts, BatchView } from '../../api/client';
import { Leaf } from '../../parts/Leaf';

/** The orders across the parts, side by side; one is chosen, the recommended one until then. */
export function OrdersLeaf({
  batch,
  open,
  onClose,
  busy,
  onSet,
}: {
  batch: BatchView;
  open: boolean;
  onClose: () => void;
  busy: boolean;
  onSet: (facts: Partial<BatchFacts>) => void;
}) {
  return (
    <Leaf title="Orders across the parts" open={open} onClose={onClose} wide>
      <div className="across">
        <label className="switch">
          <input
            type="checkbox"
            checked={batch.facts.tools_stay}
            disabled={busy}
            onChange={e => onSet({ tools_stay: e.currentTarget.checked })}
          />
          The tool post keeps its tools set (a turret, or a quick-change post)
        </label>
        {batch.orders.map(o => (
          <button
            key={o.across}
            type="button"
            className="choice"
            aria-pressed={(batch.facts.across ?? batch.orders.find(b => b.recommended)?.across) === o.across}
            disabled={busy}
            onClick={() => onSet({ across: o.across })}
          >
            <b>
              {o.says}: {o.minutes.toFixed(0)} min{o.recommended ? ', recommended' : ''}
            </b>
            <span>
              {o.chuckings} times into the chuck, {o.settings} settings of tool, stop or gears.
            </span>
            <span>{o.saves}</span>
            {o.costs && <span>{o.true_enough ? o.costs : `▲ ${o.costs}`}</span>}
          </button>
        ))}
        <p className="how">
          Counted by the route’s own times; note stops and dial readings with its operations, and they hold for every
          part. Parts of one hand come together.
        </p>
      </div>
    </Leaf>
  );
}
