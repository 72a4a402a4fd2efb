import { useId } from 'react';
import { useDraft } from './draft';

/** A few words, set at once. */
export function TextForm({
  label,
  value,
  act = 'Set',
  onTold,
}: {
  label: string;
  value: string;
  act?: string;
  onTold: (text: string) => void;
}) {
  const id = useId();
  const [text, setText, clear] = useDraft(label, value);
  return (
    <form
      className="op-form"
      onSubmit={e => {
        e.preventDefault();
        if (text.trim() === '') return;
        clear();
        onTold(text.trim());
      }}
    >
      <label htmlFor={id}>
        {label}
        <input
          id={id}
          data-autofocus
          autoComplete="off"
          maxLength={200}
          value={text}
          onChange={e => setText(e.currentTarget.value)}
        />
      </label>
      <div className="row">
        <button type="submit" className="act" disabled={text.trim() === ''}>
          {act}
        </button>
      </div>
    </form>
  );
}
