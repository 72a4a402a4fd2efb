import { useId, useState } from 'react';
import type { RouteView } from '../../api/client';
import { useDraft } from '../../parts/draft';
import { text } from '../../app/voice';

type OpSaid = RouteView['said']['setups'][number]['ops'][number];

/** What an operation took, told with it done: the next estimate of such work is made by it. */
export function OpTook({ op, busy, onTook }: { op: OpSaid; busy: boolean; onTook: (min: number) => void }) {
  const id = useId();
  const [took, setTook, told] = useDraft(`${op.id}:took`, op.took_min == null ? '' : String(op.took_min));
  const [wrong, setWrong] = useState(false);
  return (
    <form
      className="op-form took"
      onSubmit={e => {
        e.preventDefault();
        const min = Number(took.trim().replace(',', '.'));
        const sound = took.trim() !== '' && min > 0 && min <= 2000;
        setWrong(!sound);
        if (!sound) return;
        told();
        onTook(min);
      }}
    >
      <label htmlFor={id}>
        {text('route-it-took')}
        <input
          id={id}
          autoComplete="off"
          inputMode="decimal"
          value={took}
          onChange={e => setTook(e.currentTarget.value)}
          aria-invalid={wrong}
          aria-describedby={wrong ? `${id}-wrong` : undefined}
        />
      </label>
      {wrong && (
        <p className="fault" role="alert" id={`${id}-wrong`}>
          {text('route-took-number')}
        </p>
      )}
      {op.paced && <p className="how">{op.paced}</p>}
      <button type="submit" className="act plain" disabled={busy}>
        {op.done ? text('route-set-what-it-took') : text('route-done-and-took')}
      </button>
    </form>
  );
}
