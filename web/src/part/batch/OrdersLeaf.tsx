import type { BatchFacts, BatchView } from '../../api/client';
import { Leaf } from '../../parts/Leaf';
import { text } from '../../app/voice';

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
    <Leaf title={text('batch-orders-across-the-parts')} open={open} onClose={onClose} wide>
      <div className="across">
        <label className="switch">
          <input
            type="checkbox"
            checked={batch.facts.tools_stay}
            disabled={busy}
            onChange={e => onSet({ tools_stay: e.currentTarget.checked })}
          />
          {text('batch-tool-post-keeps')}
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
              {text('batch-min', {
                says: o.says,
                minutes: o.minutes.toFixed(0),
                recommended: o.recommended ? text('batch-recommended') : '',
              })}
            </b>
            <span>{text('batch-times-into-chuck', { chuckings: o.chuckings, settings: o.settings })}</span>
            <span>{o.saves}</span>
            {o.costs && <span>{o.true_enough ? o.costs : `▲ ${o.costs}`}</span>}
          </button>
        ))}
        <p className="how">{text('batch-counted-routes-own')}</p>
      </div>
    </Leaf>
  );
}
