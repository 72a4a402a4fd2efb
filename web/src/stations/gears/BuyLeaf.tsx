import { useState } from 'react';
import { usePurchases } from '../../api/hooks';
import { figure } from '../../parts/Figure';
import { Leaf } from '../../parts/Leaf';
import { useUnit } from '../../parts/unit';

/** Gears to make or buy: the one that brings most pitches, the best two, and the blank card of each. */
export function BuyLeaf({ lathe, name, open, onClose }: { lathe: string; name: string; open: boolean; onClose: () => void }) {
  return (
    <Leaf title={`Gears to make or buy for the ${name}`} open={open} onClose={onClose} wide>
      {open && <Buy lathe={lathe} />}
    </Leaf>
  );
}

function Buy({ lathe }: { lathe: string }) {
  const [wanted, setWanted] = useState<'mm' | 'in'>('mm');
  const unit = useUnit();
  const found = usePurchases(lathe, wanted);
  const list = [...(found.data?.singles ?? []), ...(found.data?.pair ? [found.data.pair] : [])];
  return (
    <div className="held">
      <div className="row">
        {(['mm', 'in'] as const).map((u) => (
          <button key={u} type="button" className="choice" aria-pressed={wanted === u} onClick={() => setWanted(u)}>
            {u === 'mm' ? 'For metric pitches' : 'For inch pitches'}
          </button>
        ))}
      </div>
      {found.isError && <p className="fault" role="alert">It could not be worked out; close this and open it again.</p>}
      {found.isPending && <p className="how">Trying every gear from 18 to 130 teeth…</p>}
      {found.data && (
        <>
          <p>
            {found.data.covered} of {found.data.wanted} pitches are cut exactly now.
            {found.data.missing.length > 0 && ` Not: ${found.data.missing.join(', ')}.`}
          </p>
          {list.length === 0 && found.data.missing.length > 0 && <p className="how">No one or two gears more would cut any of these exactly on this arm.</p>}
          {list.map((p) => (
            <section key={p.gears.map((g) => g.teeth).join()} className="plain-line">
              <b>
                {p.gears.map((g) => g.teeth).join(' and ')} teeth: {p.covered} of {found.data.wanted}
              </b>
              , bringing {p.brings.join(', ')}.
              {p.gears.map((g) => (
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
