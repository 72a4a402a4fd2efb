import { useId } from 'react';
import { useDraft } from './draft';

/** A note in the user's words; told, it makes room for the next. */
export function NoteForm({ onTold }: { onTold: (text: string) => void }) {
  const id = useId();
  const [text, setText] = useDraft('note', '');
  return (
    <form
      className="editor note-form"
      onSubmit={e => {
        e.preventDefault();
        if (text.trim() === '') return;
        onTold(text.trim());
        setText('');
      }}
    >
      <label htmlFor={id}>Worth remembering</label>
      <input id={id} data-autofocus maxLength={4000} value={text} onChange={e => setText(e.currentTarget.value)} />
      <div className="row">
        <button type="submit" className="act" disabled={text.trim() === ''}>
          Keep it
        </button>
      </div>
    </form>
  );
}
