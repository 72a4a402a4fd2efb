import { useId } from 'react';
import { NumberPad } from './NumberPad';

/** A figure typed or touched in on its pad, with what is wrong with it. */
export function TypedFigure({
  label,
  written,
  onChange,
  fault,
  first,
  now,
}: {
  label: string;
  written: string;
  onChange: (written: string) => void;
  fault: string | null;
  /** Whether the leaf it stands in begins here. */
  first?: boolean;
  /** Whether it takes the focus as it comes, its leaf being open already. */
  now?: boolean;
}) {
  const id = useId();
  return (
    <>
      <label htmlFor={id}>{label}</label>
      <input
        id={id}
        data-autofocus={first || undefined}
        autoFocus={now}
        inputMode="decimal"
        autoComplete="off"
        value={written}
        onChange={e => onChange(e.currentTarget.value)}
        aria-invalid={fault !== null}
        aria-describedby={fault ? `${id}-fault` : undefined}
      />
      {fault && (
        <p className="fault" role="alert" id={`${id}-fault`}>
          {fault}
        </p>
      )}
      <NumberPad value={written} onChange={onChange} />
    </>
  );
}
