import { useId, useState } from 'react';

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
  const [text, setText] = useState(value);
  return (
    <form
      className="op-form"
      onSubmit={e => {
        e.preventDefault();
        if (text.trim() !== '') onTold(text.trim());
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
