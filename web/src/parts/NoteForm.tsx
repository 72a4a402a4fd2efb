import { useId } from 'react';
import { useDraft } from './draft';
import { text } from '../app/voice';

/** A note in the user's words; told, it makes room for the next. */
export function NoteForm({ onTold }: { onTold: (written: string) => void }) {
  const id = useId();
  const [written, setText] = useDraft('note', '');
  return (
    <form
      className="editor note-form"
      onSubmit={e => {
        e.preventDefault();
        if (written.trim() === '') return;
        onTold(written.trim());
        setText('');
      }}
    >
      <label htmlFor={id}>{text('parts-worth-remembering')}</label>
      <input id={id} data-autofocus maxLength={4000} value={written} onChange={e => setText(e.currentTarget.value)} />
      <div className="row">
        <button type="submit" className="act" disabled={written.trim() === ''}>
          {text('page-keep-it')}
        </button>
      </div>
    </form>
  );
}
