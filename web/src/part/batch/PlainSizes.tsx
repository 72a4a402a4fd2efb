import type { BatchFacts } from '../../api/client';
import { useDraft } from '../../parts/draft';
import { Leaf } from '../../parts/Leaf';
import { LengthForm } from '../../parts/LengthForm';
import { typed } from '../../parts/text';
import { useUnit } from '../../parts/unit';
import { say } from '../../app/voice';

type Plain = NonNullable<BatchFacts['plain']>;

/** The plain sizes tallied beside the thread, with their limits. */
export function PlainSizes({
  plain,
  open,
  onClose,
  busy,
  fault,
  onSet,
}: {
  plain: Plain;
  open: boolean;
  onClose: () => void;
  busy: boolean;
  fault: string | null;
  onSet: (plain: Plain, told?: () => void) => void;
}) {
  const unit = useUnit();
  const [name, setName, toldName] = useDraft('plain:name', '');
  return (
    <Leaf title="Plain sizes of every part" open={open} onClose={onClose}>
      <ul className="remarks">
        {plain.map(p => (
          <li key={p.name} className="plain-size">
            <p>
              {p.name}: {typed(p.nominal_mm, unit)} {unit}, {typed(p.over_mm ?? 0, unit)} and{' '}
              {typed(p.under_mm ?? 0, unit)}
            </p>
            <button
              type="button"
              className="choice"
              disabled={busy}
              onClick={() => onSet(plain.filter(o => o.name !== p.name))}
            >
              Strike out
            </button>
          </li>
        ))}
      </ul>
      <LengthForm
        key={plain.length}
        fields={[
          { name: 'nominal_mm', says: 'nominal' },
          { name: 'over_mm', says: 'upper deviation', signed: true, optional: true },
          { name: 'under_mm', says: 'lower deviation', signed: true, optional: true },
        ]}
        act="Add it"
        disabled={busy}
        onSet={(mm, told) =>
          onSet([...plain, { name: name.trim(), ...mm }], () => {
            told();
            toldName();
          })
        }
      >
        <label>
          called
          <input value={name} autoComplete="off" placeholder="shank" onChange={e => setName(e.currentTarget.value)} />
        </label>
      </LengthForm>
      {fault && (
        <p className="fault" role="alert">
          {fault}
        </p>
      )}
      <p className="how">
        {unit === 'in'
          ? 'With no deviation told, 0.004 in either way is taken.'
          : say('With no deviation told, a tenth of a milli{meter} either way is taken.')}
      </p>
    </Leaf>
  );
}
