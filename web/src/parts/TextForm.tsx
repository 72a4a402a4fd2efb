import { useId } from 'react';
import { useDraft } from './draft';
import { text } from '../app/voice';

/** A few words, set at once. */
export function TextForm({
  name,
  label,
  value,
  act = text('page-set'),
  onTold,
}: {
  /** What is written, for its draft. */
  name: string;
  label: string;
  value: string;
  act?: string;
  onTold: (written: string) => void;
}) {
  const id = useId();
  const [written, setText, clear] = useDraft(`text:${name}`, value);
  return (
    <form
      className="op-form"
      onSubmit={e => {
        e.preventDefault();
        if (written.trim() === '') return;
        clear();
        onTold(written.trim());
      }}
    >
      <label htmlFor={id}>
        {label}
        <input
          id={id}
          data-autofocus
          autoComplete="off"
          maxLength={200}
          value={written}
          onChange={e => setText(e.currentTarget.value)}
        />
      </label>
      <div className="row">
        <button type="submit" className="act" disabled={written.trim() === ''}>
          {act}
        </button>
      </div>
    </form>
  );
}
