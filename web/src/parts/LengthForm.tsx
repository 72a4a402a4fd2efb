import { type ReactNode, useId, useMemo, useState } from 'react';
import { readLength } from '../api/length';
import { useDraft } from './draft';
import { typed } from './text';
import { useUnit } from './unit';

export interface LengthField {
  name: string;
  says: string;
  /** As it stands, mm. */
  value?: number | null;
  /** A deviation: may be under nought. */
  signed?: boolean;
  /** May be left empty. */
  optional?: boolean;
}

/** Several lengths that only make sense together, set at once; a fault names its field and keeps what was typed. */
export function LengthForm({
  fields,
  act,
  disabled,
  onSet,
  onClear,
  clear,
  children,
}: {
  fields: LengthField[];
  act: string;
  disabled?: boolean;
  /** What was read, and what is called once it was taken: until then the draft is kept. */
  onSet: (mm: Record<string, number | null>, told: () => void) => void;
  onClear?: () => void;
  clear?: string;
  /** Whatever else is chosen with them. */
  children?: ReactNode;
}) {
  const unit = useUnit();
  const id = useId();
  const stands = JSON.stringify(fields.map(f => [f.name, typed(f.value, unit)]));
  const from = useMemo(() => Object.fromEntries(JSON.parse(stands) as [string, string][]), [stands]);
  const [texts, setTexts, told] = useDraft<Record<string, string>>(`${act}:${fields[0]?.name}`, from);
  const [wrong, setWrong] = useState<{ name: string; says: string } | null>(null);
  const read = async () => {
    setWrong(null);
    const mm: Record<string, number | null> = {};
    for (const f of fields) {
      const text = (texts[f.name] ?? '').trim();
      if (text === '' && f.optional) {
        mm[f.name] = null;
        continue;
      }
      const under = f.signed && /^[-−]/.test(text);
      const bare = f.signed ? text.replace(/^[-−+]\s*/, '') : text;
      const length =
        f.signed && Number(bare.replace(',', '.')) === 0 && bare !== ''
          ? { mm: 0, fault: undefined }
          : await readLength(bare, unit);
      if (length.fault !== undefined) return setWrong({ name: f.name, says: `${f.says}: ${length.fault}` });
      mm[f.name] = under ? -length.mm : length.mm;
    }
    onSet(mm, told);
  };
  return (
    <form
      className="lengths"
      onSubmit={e => {
        e.preventDefault();
        void read();
      }}
    >
      {fields.map(f => (
        <label key={f.name} htmlFor={`${id}-${f.name}`}>
          {f.says}
          <input
            id={`${id}-${f.name}`}
            inputMode={f.signed ? 'text' : 'decimal'}
            autoComplete="off"
            disabled={disabled}
            value={texts[f.name] ?? ''}
            onChange={e => setTexts({ ...texts, [f.name]: e.currentTarget.value })}
            aria-invalid={wrong?.name === f.name}
            aria-describedby={wrong ? `${id}-fault` : undefined}
          />
        </label>
      ))}
      {children}
      <button type="submit" className="act" disabled={disabled}>
        {act}
      </button>
      {onClear && clear && (
        <button type="button" className="act plain" disabled={disabled} onClick={onClear}>
          {clear}
        </button>
      )}
      {wrong && (
        <p className="fault" role="alert" id={`${id}-fault`}>
          {wrong.says}
        </p>
      )}
    </form>
  );
}
