import { useId, useState } from 'react';
import { inWords, type Purchases } from '../../api/client';
import { usePurchases } from '../../api/hooks';
import { useDraft } from '../../parts/draft';
import { figure } from '../../parts/Figure';
import { Leaf } from '../../parts/Leaf';
import { Radios } from '../../parts/Radios';
import { useUnit } from '../../parts/unit';
import { GearBlank } from './GearBlank';
import { said, text } from '../../app/voice';

/**
 * Gears to make or buy: the one that brings most pitches, the best two, and the blank card of each; for the usual pitches, for
 * the job in hand, or for a list of one's own.
 */
export function BuyLeaf({
  lathe,
  name,
  job,
  harmless,
  open,
  onClose,
}: {
  lathe: string;
  name: string;
  job?: string;
  /** The error this job’s thread does not feel, parts per million. */
  harmless?: number;
  open: boolean;
  onClose: () => void;
}) {
  return (
    <Leaf title={text('gears-gears-make-buy', { name })} open={open} onClose={onClose} wide>
      {open && <Buy lathe={lathe} job={job} harmless={harmless} />}
    </Leaf>
  );
}

/** What is said of one pitch: cut or not, exactly or within the error allowed. */
function ofOne({ covered, serves, within_ppm }: Purchases) {
  if (covered) return serves.length > 0 ? 'gears-pitch-cut-so' : 'gears-pitch-cut-exactly';
  return within_ppm > 0 ? 'gears-pitch-not-cut-so' : 'gears-pitch-not-cut-exactly';
}

function Buy({ lathe, job, harmless }: { lathe: string; job: string | undefined; harmless: number | undefined }) {
  const id = useId();
  const unit = useUnit();
  const [wanted, setWanted] = useState<{ unit: 'mm' | 'in'; pitches?: string | undefined }>(
    job ? { unit, pitches: job } : { unit: 'mm' },
  );
  const [own, setOwn] = useDraft('own-pitches', '');
  const [within, setWithin] = useState(harmless ?? 0);
  const found = usePurchases(lathe, wanted.unit, wanted.pitches, within);
  const allowed = [
    { is: 0, says: text('gears-cut-exactly') },
    ...(harmless ? [{ is: harmless, says: text('gears-as-its-room-allows', { ppm: harmless }) }] : []),
    ...[100, 500].map(ppm => ({ is: ppm, says: text('gears-choice-within-ppm', { ppm }) })),
  ];
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
            {text('gears-for-this-job')}
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
            {u === 'mm' ? text('gears-for-metric-pitches') : text('gears-for-inch-pitches')}
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
          {text('gears-pitches-your-own', { unit: unit === 'in' ? text('gears-tpi') : 'mm' })}
          <input
            id={id}
            className="long"
            autoComplete="off"
            value={own}
            placeholder={text('gears-pitches-example')}
            onChange={e => setOwn(e.currentTarget.value)}
          />
        </label>
        <button type="submit" className="act plain">
          {text('gears-find-gears-for-these')}
        </button>
      </form>
      <Radios
        about={text('gears-error-allowed')}
        choices={allowed}
        chosen={is => within === is}
        onChoose={setWithin}
      />
      <GearBlank lathe={lathe} />
      {found.isError && (
        <p className="fault" role="alert">
          {inWords(found.error)}
        </p>
      )}
      {found.isPending && <p className="how">{text('gears-trying-every-gear')}</p>}
      {found.data && (
        <>
          <p>
            {found.data.wanted > 1
              ? text(within > 0 ? 'gears-pitches-cut-so' : 'gears-pitches-cut-exactly', {
                  covered: found.data.covered,
                  wanted: found.data.wanted,
                })
              : text(ofOne(found.data))}
            {found.data.missing.length > 0 &&
              ` ${text('gears-those-not', { missing: found.data.missing.join(', ') })}`}
          </p>
          {found.data.serves.length > 0 && (
            <>
              <p>{text('gears-already-serves')}</p>
              <ul className="serves">
                {found.data.serves.map(s => (
                  <li key={s.pitch}>{s.says}</li>
                ))}
              </ul>
            </>
          )}
          {list.length === 0 && found.data.missing.length > 0 && <p className="how">{text('gears-one-two-gears')}</p>}
          {list.map(p => (
            <section key={p.gears.map(g => g.teeth).join()} className="plain-line">
              {said('gears-bringing', {
                gears: (
                  <b>
                    {text('gears-teeth-of', {
                      gears: p.gears.map(g => g.teeth).join(' and '),
                      covered: p.covered,
                      wanted: found.data.wanted,
                    })}
                  </b>
                ),
                brings: p.brings.join(', '),
              })}
              {p.gears.map(g => (
                <p key={g.teeth} className="how">
                  {text('gears-outside-depth', {
                    says: g.says,
                    outside: figure(g.outside_mm, unit),
                    depth: figure(g.depth_mm, unit),
                    dividing: g.dividing,
                  })}
                </p>
              ))}
            </section>
          ))}
        </>
      )}
    </div>
  );
}
