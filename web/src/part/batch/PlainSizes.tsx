import type { BatchFacts } from '../../api/client';
import { useDraft } from '../../parts/draft';
import { Leaf } from '../../parts/Leaf';
import { LengthForm } from '../../parts/LengthForm';
import { typed } from '../../parts/text';
import { useUnit } from '../../parts/unit';
import { text } from '../../app/voice';

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
    <Leaf title={text('batch-plain-sizes-every')} open={open} onClose={onClose}>
      <ul className="remarks">
        {plain.map(p => (
          <li key={p.name} className="plain-size">
            <p>
              {text('batch-and', {
                name: p.name,
                nominal: typed(p.nominal_mm, unit),
                unit,
                over: typed(p.over_mm ?? 0, unit),
                under: typed(p.under_mm ?? 0, unit),
              })}
            </p>
            <button
              type="button"
              className="choice"
              disabled={busy}
              onClick={() => onSet(plain.filter(o => o.name !== p.name))}
            >
              {text('page-strike-out')}
            </button>
          </li>
        ))}
      </ul>
      <LengthForm
        key={plain.length}
        fields={[
          { name: 'nominal_mm', says: text('page-nominal') },
          { name: 'over_mm', says: text('page-upper-deviation'), signed: true, optional: true },
          { name: 'under_mm', says: text('page-lower-deviation'), signed: true, optional: true },
        ]}
        act={text('page-add-it')}
        disabled={busy}
        onSet={(mm, told) =>
          onSet([...plain, { name: name.trim(), ...mm }], () => {
            told();
            toldName();
          })
        }
      >
        <label>
          {text('page-called-within')}
          <input
            value={name}
            autoComplete="off"
            placeholder={text('batch-shank')}
            onChange={e => setName(e.currentTarget.value)}
          />
        </label>
      </LengthForm>
      {fault && (
        <p className="fault" role="alert">
          {fault}
        </p>
      )}
      <p className="how">{unit === 'in' ? text('page-deviation-told-0') : text('page-deviation-told-tenth')}</p>
    </Leaf>
  );
}
