import { Link } from '@tanstack/react-router';
import { useId, useState } from 'react';
import type { RouteView } from '../../api/client';
import { photoAt } from '../../api/photos';
import { useDraft } from '../../parts/draft';
import { FieldsForm } from '../../parts/FieldsForm';
import { PhotoKey } from '../../parts/PhotoKey';
import { CardLines } from '../CardLines';
import { OpTook } from './OpTook';
import type { Operation } from './moves';
import { said, text } from '../../app/voice';

type OpSaid = RouteView['said']['setups'][number]['ops'][number];

/** What is told, with what was changed of it; null takes a field away. */
const told = (was: object, patch: Record<string, unknown>) =>
  Object.fromEntries(Object.entries({ ...was, ...patch }).filter(([, value]) => value != null));

/** The operation chosen: its card, and what the user makes of it. */
export function OpSide({
  op,
  setups,
  jobs,
  asks,
  busy,
  onTook,
  onChange,
  onMove,
  onRemove,
  onSpoilt,
}: {
  op: OpSaid;
  setups: RouteView['said']['setups'];
  jobs: RouteView['jobs'];
  /** What it asks to be told. */
  asks: RouteView['may_add'][number]['asks'];
  busy: boolean;
  onTook: (min: number) => void;
  onChange: (patch: Partial<Operation>, onError?: (error: unknown) => void) => void;
  onMove: (setup: string) => void;
  onRemove: () => void;
  /** The piece it is done to is spoilt. */
  onSpoilt: () => void;
}) {
  const id = useId();
  const [says, setSays] = useDraft(`${op.id}:says`, op.says ?? op.name);
  const [minutes, setMinutes] = useDraft(`${op.id}:minutes`, op.minutes == null ? '' : String(op.minutes));
  const [note, setNote] = useDraft(`${op.id}:note`, op.note ?? '');
  const [wrong, setWrong] = useState<string | null>(null);
  const job = jobs.find(j => j.id === op.job);
  // A thread is cut, and proven, at its own stations.
  const station = op.kind === 'thread' ? 'cut' : op.kind === 'prove' ? 'gauge' : null;
  const here = setups.find(s => s.ops.some(o => o.id === op.id));
  // A picture is kept with the job of the piece.
  const photoOf = op.job ?? here?.piece;
  const set = () => {
    const typed = minutes.trim().replace(',', '.');
    const read = typed === '' ? null : Number(typed);
    if (read !== null && !(read >= 0 && read <= 2000)) return setWrong(text('route-minutes-number-0'));
    setWrong(null);
    onChange({
      says: says.trim() === '' || says === op.name ? (op.says ?? undefined) : says.trim(),
      minutes: read ?? undefined,
      note: note.trim() === '' ? undefined : note.trim(),
    });
  };
  return (
    <>
      <h2>{op.name}</h2>
      {job && (
        <p className="how">
          {said('route-for', {
            thread: job.thread,
            station: station && (
              <>
                {': '}
                <Link className="word" to="/jobs/$id/$station" params={{ id: job.id, station }}>
                  {text('route-to-its', { station })}
                </Link>
              </>
            ),
          })}
        </p>
      )}
      <CardLines lines={op.card} />
      {op.photo && photoOf && (
        <a href={photoAt(photoOf, op.photo)} target="_blank" rel="noreferrer">
          <img className="op-photo" src={photoAt(photoOf, op.photo)} alt={op.name} />
        </a>
      )}
      <OpTook key={`${op.id}:${op.took_min ?? ''}`} op={op} busy={busy} onTook={onTook} />
      {asks.length > 0 && (
        <FieldsForm
          fields={asks.map(a => ({ at: a.field, says: a.says, kind: a.holds }))}
          value={op.told ?? {}}
          under={`/setups/${setups.findIndex(s => s === here)}/ops/${here?.ops.findIndex(o => o.id === op.id) ?? 0}/told`}
          busy={busy}
          onSend={(patch, onError) => onChange({ told: told(op.told ?? {}, patch) }, onError)}
        />
      )}
      <form
        className="op-form"
        onSubmit={e => {
          e.preventDefault();
          set();
        }}
      >
        <label htmlFor={`${id}-note`}>
          {text('route-noted-stop-dial')}
          <input
            id={`${id}-note`}
            autoComplete="off"
            maxLength={200}
            value={note}
            onChange={e => setNote(e.currentTarget.value)}
          />
        </label>
        <label htmlFor={`${id}-says`}>
          {text('page-called')}
          <input
            id={`${id}-says`}
            autoComplete="off"
            maxLength={200}
            value={says}
            onChange={e => setSays(e.currentTarget.value)}
          />
        </label>
        <label htmlFor={`${id}-minutes`}>
          {text('route-minutes-if-you')}
          <input
            id={`${id}-minutes`}
            autoComplete="off"
            inputMode="decimal"
            value={minutes}
            onChange={e => setMinutes(e.currentTarget.value)}
            placeholder={String(Math.round(op.takes_min))}
            aria-invalid={wrong != null}
            aria-describedby={wrong ? `${id}-wrong` : undefined}
          />
        </label>
        {wrong && (
          <p className="fault" role="alert" id={`${id}-wrong`}>
            {wrong}
          </p>
        )}
        <div className="row">
          <button type="submit" className="act" disabled={busy}>
            {text('page-set')}
          </button>
          {photoOf && (
            <PhotoKey job={photoOf} says={text('route-a-picture')} onKept={id => onChange({ photo: id })} />
          )}
          <button type="button" className="act plain" disabled={busy} onClick={onRemove}>
            {text('route-strike-it-out')}
          </button>
          <button type="button" className="act plain" disabled={busy} onClick={onSpoilt}>
            {text('route-spoilt')}
          </button>
        </div>
      </form>
      {setups.length > 1 && (
        <label className="op-form">
          {text('route-in-the-chucking')}
          <select
            className="choice"
            value={here?.id ?? ''}
            disabled={busy}
            onChange={e => onMove(e.currentTarget.value)}
          >
            {setups.map((s, i) => (
              <option key={s.id} value={s.id}>
                {i + 1}: {s.piece_says}, {s.held}
              </option>
            ))}
          </select>
        </label>
      )}
    </>
  );
}
