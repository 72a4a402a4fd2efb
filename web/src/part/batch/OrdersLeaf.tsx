import type { BatchFacts, BatchView, Job } from '../../api/client';
import { useRoute } from '../../api/part';
import { Leaf } from '../../parts/Leaf';
import { text } from '../../app/voice';

/** The orders across the parts, side by side; one is chosen, the recommended one until then. */
export function OrdersLeaf({
  job,
  batch,
  open,
  onClose,
  busy,
  onSet,
}: {
  job: Job;
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
        {batch.flip && <p className="how">{batch.flip}</p>}
        {open && (
          <OwnOrder job={job} own={batch.facts.own ?? {}} busy={busy} onSet={own => onSet({ own, across: 'own' })} />
        )}
      </div>
    </Leaf>
  );
}

type Own = NonNullable<BatchFacts['own']>;

/** The list with one in it, or out of it. */
const turned = (list: string[] | undefined, id: string) =>
  list?.includes(id) ? list.filter(other => other !== id) : [...(list ?? []), id];

/** An order of one's own: after which set-ups the parts wait for one another, and which are gone through operation by operation. */
function OwnOrder({ job, own, busy, onSet }: { job: Job; own: Own; busy: boolean; onSet: (own: Own) => void }) {
  const route = useRoute(job);
  const setups = route.data?.said.setups ?? [];
  const last = setups.length - 1;
  return (
    <section aria-label={text('batch-own-order')}>
      <h3>{text('batch-own-order')}</h3>
      <ol className="own-order">
        {setups.map((s, i) => (
          <li key={s.id}>
            <span>{s.held}</span>
            <label className="switch">
              <input
                type="checkbox"
                checked={own.by_operation?.includes(s.id) ?? false}
                disabled={busy}
                onChange={() => onSet({ ...own, by_operation: turned(own.by_operation, s.id) })}
              />
              {text('batch-own-by-operation')}
            </label>
            {i < last && (
              <label className="switch">
                <input
                  type="checkbox"
                  checked={own.wait_after?.includes(s.id) ?? false}
                  disabled={busy}
                  onChange={() => onSet({ ...own, wait_after: turned(own.wait_after, s.id) })}
                />
                {text('batch-own-wait-after')}
              </label>
            )}
          </li>
        ))}
      </ol>
    </section>
  );
}
