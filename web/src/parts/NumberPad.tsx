import { text } from '../app/voice';
const KEYS = ['7', '8', '9', '4', '5', '6', '1', '2', '3', '0', '.', '⌫'];

/** A plain number pad: every number can be given with a knuckle. */
export function NumberPad({ value, onChange }: { value: string; onChange: (value: string) => void }) {
  return (
    <div className="pad">
      {KEYS.map(k => (
        <button
          type="button"
          key={k}
          aria-label={k === '⌫' ? text('page-delete') : k}
          onClick={() => onChange(k === '⌫' ? value.slice(0, -1) : value + k)}
        >
          {k}
        </button>
      ))}
    </div>
  );
}
