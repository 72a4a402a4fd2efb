import { useQueryClient } from '@tanstack/react-query';
import { Link } from '@tanstack/react-router';
import { inWords, type Job } from '../../api/client';
import { useChange, useJob } from '../../api/hooks';
import { FieldsForm } from '../../parts/FieldsForm';
import type { Field } from '../../parts/fields';
import { spoken, text } from '../../app/voice';
import { kept, type Piece, type Plain, type Stretch } from './stretch';

const SIZE = spoken<Field[]>(() => [
  { at: 'name', says: text('page-called-within'), kind: 'text' },
  {
    at: 'kind',
    says: text('whole-what-it-is'),
    kind: 'choice',
    choices: [
      { says: text('blank-outside-diameter'), value: 'outside' },
      { says: text('blank-kind-bore'), value: 'bore' },
      { says: text('whole-hexagon'), value: 'hexagon' },
      { says: text('whole-square'), value: 'square' },
      { says: text('blank-kind-length'), value: 'length' },
    ],
  },
  { at: 'nominal_mm', says: text('page-nominal'), kind: 'length' },
  { at: 'over_mm', says: text('page-upper-deviation'), kind: 'length' },
  { at: 'under_mm', says: text('page-lower-deviation'), kind: 'length' },
  { at: 'long_mm', says: text('whole-long'), kind: 'length' },
  { at: 'at_mm', says: text('whole-begins'), how: text('whole-begins-how'), kind: 'length' },
]);
const THREAD = spoken<Field[]>(() => [
  { at: 'thread.length_mm', says: text('whole-threaded-length'), kind: 'length' },
  { at: 'blank.from_end_mm', says: text('whole-thread-begins'), kind: 'length' },
]);
const SHOULDER = spoken<Field[]>(() => [{ at: 'blank.shoulder_mm', says: text('whole-shoulder'), kind: 'length' }]);

/** What stands at one stretch of the part, told. */
export function StretchLeaf({
  job: from,
  piece,
  told,
  onClose,
}: {
  job: Job;
  piece: Piece;
  told: Stretch | 'new';
  onClose: () => void;
}) {
  const owner = useJob(told === 'new' ? piece.piece : (told.job ?? piece.piece));
  if (!owner.data) return <p className="how">{owner.isError ? inWords(owner.error) : text('whole-drawing-it')}</p>;
  return <Told job={owner.data} from={from} told={told} onClose={onClose} />;
}

function Told({ job, from, told, onClose }: { job: Job; from: Job; told: Stretch | 'new'; onClose: () => void }) {
  const change = useChange(job);
  const queries = useQueryClient();
  const plain = job.request.blank?.plain ?? [];
  const send = (request: object, onError?: (error: unknown) => void) =>
    change.mutate(
      { request },
      {
        onSuccess: () => {
          void queries.invalidateQueries({ queryKey: ['job', from.id] });
          onClose();
        },
        onError: error => onError?.(error),
      },
    );
  if (job.frozen) return <p className="how">{text('blank-cut-begun-facts')}</p>;
  const stretch = told === 'new' ? null : told;
  const i = stretch?.plain;
  const size = i == null ? undefined : plain[i];
  if (stretch?.stands === 'thread')
    return (
      <>
        <FieldsForm fields={THREAD()} value={job.request} busy={change.isPending} onSend={send} />
        <p>
          <Link className="word" to="/jobs/$id/$station" params={{ id: job.id, station: 'blank' }}>
            {text('whole-its-relief-and-chamfer')}
          </Link>
        </p>
      </>
    );
  // What stands where nothing was told, or behind a shoulder of which only the diameter was, becomes a size of its own.
  const place: Partial<Plain> =
    stretch && i == null ? { at_mm: stretch.from_mm, ...(stretch.known ? { long_mm: stretch.long_mm } : {}) } : {};
  const shoulder = stretch?.stands === 'shoulder' ? job.request.blank?.shoulder_mm : undefined;
  const fresh: Plain =
    shoulder == null
      ? { kind: 'outside', ...place }
      : { kind: 'outside', name: text('whole-the-shoulder'), nominal_mm: shoulder, at_mm: stretch?.from_mm ?? null };
  return (
    <>
      {shoulder != null && (
        <FieldsForm fields={SHOULDER()} value={job.request} busy={change.isPending} onSend={send} />
      )}
      <FieldsForm
        columns
        fields={SIZE()}
        value={size ? { kind: 'outside', ...size } : kept(fresh)}
        under={`/blank/plain/${i ?? plain.length}`}
        busy={change.isPending}
        act={size ? text('page-set') : text('page-add-it')}
        onSend={(patch, onError) => {
          const now = kept({ ...(size ?? fresh), ...patch });
          send({ blank: { plain: size ? plain.map((p, at) => (at === i ? now : p)) : [...plain, now] } }, onError);
        }}
      />
      <p className="how">{text('whole-where-begins-left-out')}</p>
      {size && (
        <button
          type="button"
          className="act plain"
          disabled={change.isPending}
          onClick={() => send({ blank: { plain: plain.filter((_, at) => at !== i) } })}
        >
          {text('page-strike-out')}
        </button>
      )}
    </>
  );
}
