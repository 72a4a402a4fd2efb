import { useId, useState } from 'react';
import { inWords } from '../../api/client';
import { usePurchases } from '../../api/hooks';
import { useDraft } from '../../parts/draft';
import { figure } from '../../parts/Figure';
import { Leaf } from '../../parts/Leaf';
import { useUnit } from '../../parts/unit';

/**
 * Gears to make or buy: the one that brings most pitches, the best two, and the blank card of each; for the usual pitches, for
 * the job in hand, or for a list of one's own.
 */
export function BuyLeaf({
  lathe,
  name,
  job,
  open,
  onClose,
}: {
  lathe: string;
  name: string;
  job?: string;
  open: boolean;
  onClose: () => void;
}) {
  return (
    <Leaf title={`Gears to make or buy for the ${name}`} open={open} onClose={onClose} wide>
      {open && <Buy lathe={lathe} job={job} />}
    </Leaf>
  );
}

function Buy({ lathe, job }: { lathe: string; job: string | undefined }) {
  const id = useId();
  const unit = useUnit();
  const [wanted, setWanted] = useState<{ unit: 'mm' | 'in'; pitches?: string | undefined }>(
    job ? { unit, pitches: job } : { unit: 'mm' },
  );
  const [own, setOwn] = useDraft('own pitches', '');
  const found = usePurchases(lathe, wanted.unit, wanted.pitches);
  const is = (u: string, pitches?: string) => wanted.unit === u && wanted.pitches === pitches;
  const list = [...(found.data?.singles ?? []), ...(found.data?.pair ? [found.data.pair] : [])];
  return (
    <div className="held">
      <div className="row">
        {job && (
          <button
            type="button"
            className="choice"
            aria-pressed={is(unit, job)}
            onClick={() => setWanted({ unit, pitches: job })}
          >
            For this job
          </button>
        )}
        {(['mm', 'in'] as const).map(u => (
          <button
            key={u}
            type="button"
            className="choice"
            aria-pressed={is(u)}
            onClick={() => setWanted({ unit: u })}
          >
            {u === 'mm' ? 'For metric pitches' : 'For inch pitches'}
          </button>
        ))}
      </div>
      <form
        className="lengths"
        onSubmit={e => {
          e.preventDefault();
          setWanted({ unit, pitches: own });
        }}
      >
        <label htmlFor={id}>
          Or pitches of your own ({unit === 'in' ? 'TPI' : 'mm'} unless you write another)
          <input
            id={id}
            className="long"
            autoComplete="off"
            value={own}
            placeholder="1.75, 11.5 TPI, 2 x 5 TPI"
            onChange={e => setOwn(e.currentTarget.value)}
          />
        </label>
        <button type="submit" className="act plain">
          Find gears for these
        </button>
      </form>
      {found.isError && (
        <p className="fault" role="alert">
          {inWords(found.error)}
        </p>
      )}
      {found.isPending && <p className="how">Trying every gear from 18 to 130 teeth…</p>}
      {found.data && (
        <>
          <p>
            {found.data.wanted > 1
              ? `${found.data.covered} of ${found.data.wanted} pitches are cut exactly now.`
              : `This pitch is ${found.data.covered ? '' : 'not '}cut exactly now.`}
            {found.data.missing.length > 0 && ` Not: ${found.data.missing.join(', ')}.`}
          </p>
          {list.length === 0 && found.data.missing.length > 0 && (
            <p className="how">No one or two gears more would cut any of these exactly on this arm.</p>
          )}
          {list.map(p => (
            <section key={p.gears.map(g => g.teeth).join()} className="plain-line">
              <b>
                {p.gears.map(g => g.teeth).join(' and ')} teeth: {p.covered} of {found.data.wanted}
              </b>
              , bringing {p.brings.join(', ')}.
              {p.gears.map(g => (
                <p key={g.teeth} className="how">
                  {g.says}: outside {figure(g.outside_mm, unit)}, depth {figure(g.depth_mm, unit)}, {g.dividing}.
                </p>
              ))}
            </section>
          ))}
        </>
      )}
    </div>
  );
}
