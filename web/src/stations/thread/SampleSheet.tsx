import { keepPreviousData, useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { api, type Candidate, inWords, type Job, type SampleRequest, unwrap } from '../../api/client';
import { type Patch, useChange } from '../../api/hooks';
import { readLength } from '../../api/length';
import { Outline } from '../../drawing/Outline';
import { NumberPad } from '../../parts/NumberPad';
import { useUnit } from '../../parts/unit';
import { spoken, text } from '../../app/voice';
import { handed, typed } from '../../parts/text';

type Field = Exclude<keyof SampleRequest, 'doubts' | 'over_wires'>;

/** One thing to measure: what to ask, how, and how it is answered. */
interface Question {
  id: string;
  name: string;
  ask: string;
  how: string;
  /** Lengths, counts or angles to type, by field. */
  typed?: { field: Field | 'wire_mm' | 'over_wires_mm'; label: string; kind: 'length' | 'number' }[];
  /** The doubt that goes with what is typed. */
  doubt?: keyof NonNullable<SampleRequest['doubts']>;
  /** Answers to choose from. */
  choices?: { says: string; under?: string; patch: Partial<Record<Field, unknown>> }[];
  told: (s: SampleRequest, unit: Unit) => string | null;
}

type Unit = 'mm' | 'in';
const length = (v: number | null | undefined, unit: Unit) => (v == null ? null : `${typed(v, unit)} ${unit}`);

const QUESTIONS = spoken<Question[]>(() => [
  {
    id: 'outside',
    doubt: 'major_mm',
    name: text('thread-outside'),
    ask: text('thread-does-measure-across'),
    how: text('thread-over-least-worn'),
    typed: [{ field: 'major_mm', label: text('thread-outside-diameter'), kind: 'length' }],
    told: (s, unit) => length(s.major_mm, unit),
  },
  {
    id: 'spaces',
    doubt: 'over_mm',
    name: text('thread-spaces'),
    ask: text('thread-lay-rule-along'),
    how: text('thread-count-gaps-crests'),
    typed: [
      { field: 'spaces', label: text('thread-spaces'), kind: 'number' },
      { field: 'over_mm', label: text('thread-they-measure'), kind: 'length' },
    ],
    told: (s, unit) =>
      s.spaces && s.over_mm ? text('thread-over', { spaces: s.spaces, length: length(s.over_mm, unit) }) : null,
  },
  {
    id: 'gauge',
    doubt: 'pitch_mm',
    name: text('thread-pitch-gauge'),
    ask: text('thread-leaf-pitch-gauge'),
    how: text('thread-millimeters-threads-per'),
    typed: [
      { field: 'pitch_mm', label: text('page-millimeters'), kind: 'number' },
      { field: 'tpi', label: text('thread-or-threads-per-inch'), kind: 'number' },
    ],
    told: (s, unit) => (s.tpi ? text('thread-tpi', { tpi: s.tpi }) : length(s.pitch_mm, unit)),
  },
  {
    id: 'root',
    doubt: 'minor_mm',
    name: text('thread-root'),
    ask: text('thread-does-measure-root'),
    how: text('thread-blades-points-groove'),
    typed: [{ field: 'minor_mm', label: text('thread-root-diameter'), kind: 'length' }],
    told: (s, unit) => length(s.minor_mm, unit),
  },
  {
    id: 'angle',
    doubt: 'included_angle_deg',
    name: text('thread-angle'),
    ask: text('thread-angle-gauge-sits'),
    how: text('thread-both-flanks-without'),
    choices: [60, 55, 47.5, 30, 29].map(a => ({
      says: `${a}°`,
      under: {
        60: text('thread-metric-unified'),
        55: text('thread-whitworth-pipe'),
        47.5: 'BA',
        30: 'trapezoidal',
        29: text('thread-acme'),
      }[a],
      patch: { included_angle_deg: a },
    })),
    typed: [{ field: 'included_angle_deg', label: text('thread-another-degrees'), kind: 'number' }],
    told: s =>
      s.included_angle_deg === null || s.included_angle_deg === undefined ? null : `${s.included_angle_deg}°`,
  },
  {
    id: 'hand',
    name: text('page-hand'),
    ask: text('thread-hold-upright-way'),
    how: text('thread-look-side-toward'),
    choices: [
      { says: text('thread-up-to-the-right'), under: text('thread-right-hand'), patch: { hand: 'right' } },
      { says: text('thread-up-to-the-left'), under: text('thread-left-hand'), patch: { hand: 'left' } },
    ],
    told: s => (s.hand ? handed(s.hand) : null),
  },
  {
    id: 'starts',
    name: text('thread-starts'),
    ask: text('thread-how-many-threads'),
    how: text('thread-look-end-one'),
    typed: [{ field: 'starts', label: text('thread-starts'), kind: 'number' }],
    told: s => (s.starts ? String(s.starts) : null),
  },
  {
    id: 'wires',
    doubt: 'over_wires_mm',
    name: text('card-over-wires'),
    ask: text('thread-does-measure-over'),
    how: text('thread-any-three-alike'),
    typed: [
      { field: 'wire_mm', label: text('thread-wire'), kind: 'length' },
      { field: 'over_wires_mm', label: text('thread-over-them'), kind: 'length' },
    ],
    told: s => (s.over_wires ? text('page-so-many-mm', { n: s.over_wires.mm }) : null),
  },
  {
    id: 'side',
    name: text('page-member'),
    ask: text('thread-sample-screw-nut'),
    how: text('thread-nut-bore-pitch'),
    choices: [
      { says: text('thread-a-screw'), patch: { side: 'external' } },
      { says: text('thread-a-nut'), patch: { side: 'internal', over_wires: null } as never },
    ],
    told: s => (s.side === 'internal' ? text('thread-a-nut-within') : text('thread-a-screw-within')),
  },
]);

/** The answer to one question: a choice, or numbers typed with a pad. */
function Answer({
  job,
  sample,
  question,
  next,
}: {
  job: Job;
  sample: SampleRequest;
  question: Question;
  next: () => void;
}) {
  const change = useChange(job);
  const unit = useUnit();
  const start = (field: string) => {
    if (field === 'wire_mm') return sample.over_wires ? String(sample.over_wires.wire_mm) : '';
    if (field === 'over_wires_mm') return sample.over_wires ? String(sample.over_wires.mm) : '';
    const v = sample[field as Field];
    return v === null ||
      v === undefined ||
      (field === 'included_angle_deg' && question.choices?.some(c => c.patch.included_angle_deg === v))
      ? ''
      : String(v);
  };
  const fields = question.typed ?? [];
  const [texts, setTexts] = useState<Record<string, string>>(() =>
    Object.fromEntries(fields.map(f => [f.field, start(f.field)])),
  );
  const [at, setAt] = useState(fields[0]?.field ?? '');
  const [doubt, setDoubt] = useState(() => String((question.doubt && sample.doubts?.[question.doubt]) ?? ''));
  const [fault, setFault] = useState<string | null>(null);
  const send = (patch: Record<string, unknown>) =>
    change.mutate(
      { request: { sample: patch } as Patch },
      {
        onSuccess: () => {
          setFault(null);
          next();
        },
        onError: e => setFault(inWords(e)),
      },
    );
  const enter = async () => {
    const patch: Record<string, unknown> = {};
    for (const f of fields) {
      const written = (texts[f.field] ?? '').trim();
      if (written === '') {
        patch[f.field] = null;
        continue;
      }
      if (f.kind === 'number') {
        const value = Number(written.replace(',', '.'));
        if (Number.isNaN(value)) return setFault(text('thread-number-write-10', { text: written }));
        patch[f.field] = value;
      } else {
        const read = await readLength(written, unit);
        if (read.fault !== undefined) return setFault(read.fault);
        patch[f.field] = read.mm;
      }
    }
    if (question.doubt) {
      const value = Number(doubt.replace(',', '.'));
      if (doubt.trim() !== '' && !(value > 0)) return setFault(text('thread-doubt-write-0', { doubt }));
      patch.doubts = { [question.doubt]: doubt.trim() === '' ? null : value };
    }
    if ('wire_mm' in patch) {
      const { wire_mm: wire, over_wires_mm: over, doubts } = patch;
      if ((wire === null) !== (over === null)) return setFault(text('thread-both-wanted-wire'));
      return send({ over_wires: wire === null ? null : { wire_mm: wire, mm: over }, doubts });
    }
    return send(patch);
  };
  const clear = () =>
    send(
      question.id === 'wires'
        ? { over_wires: null }
        : Object.fromEntries(
            [...fields.map(f => f.field), ...(question.choices ?? []).flatMap(c => Object.keys(c.patch))].map(f => [
              f,
              null,
            ]),
          ),
    );
  return (
    <form
      className="answer"
      aria-label={question.ask}
      onSubmit={e => {
        e.preventDefault();
        void enter();
      }}
    >
      <h2>{question.ask}</h2>
      <p className="how">{question.how}</p>
      {question.choices && (
        <div className="row choices">
          {question.choices.map(c => (
            <button
              key={c.says}
              type="button"
              className="choice"
              aria-pressed={Object.entries(c.patch).every(([k, v]) => sample[k as Field] === v)}
              onClick={() => send(c.patch)}
            >
              {c.says}
              {c.under && <small>{c.under}</small>}
            </button>
          ))}
        </div>
      )}
      {fields.length > 0 && (
        <div className="row typed">
          {fields.map(f => (
            <label key={f.field}>
              {f.label}
              {f.kind === 'length' ? ` (${unit})` : ''}
              <input
                inputMode="decimal"
                autoComplete="off"
                value={texts[f.field] ?? ''}
                onFocus={() => setAt(f.field)}
                onChange={e => setTexts({ ...texts, [f.field]: e.currentTarget.value })}
                aria-invalid={fault !== null}
              />
            </label>
          ))}
          {question.doubt && (
            <label>
              {text('thread-give-or-take', {
                doubt: question.doubt === 'included_angle_deg' ? ' (°)' : ` ${text('thread-mm')}`,
              })}
              <input
                inputMode="decimal"
                autoComplete="off"
                value={doubt}
                placeholder={text('thread-usual')}
                onFocus={() => setAt('doubt')}
                onChange={e => setDoubt(e.currentTarget.value)}
              />
            </label>
          )}
          <button type="submit" className="act">
            {text('page-set')}
          </button>
          {question.id !== 'side' && (
            <button type="button" className="act plain" onClick={clear}>
              {text('page-not-measured')}
            </button>
          )}
        </div>
      )}
      {fields.length === 0 && question.id !== 'side' && (
        <button type="button" className="act plain" onClick={clear}>
          {text('page-not-known')}
        </button>
      )}
      {fault && (
        <p className="fault" role="alert">
          {fault}
        </p>
      )}
      {fields.length > 0 && (
        <details className="pad-fold">
          <summary>{text('thread-number-pad')}</summary>
          <NumberPad
            value={at === 'doubt' ? doubt : (texts[at] ?? '')}
            onChange={t => (at === 'doubt' ? setDoubt(t) : setTexts({ ...texts, [at]: t }))}
          />
        </details>
      )}
    </form>
  );
}

/** One thread it may be. */
function May({ candidate, first, take }: { candidate: Candidate; first: boolean; take: () => void }) {
  return (
    <li className={first ? 'first' : ''}>
      <div className="may-head">
        <b>{candidate.name}</b>
        <span>
          {candidate.form}
          {candidate.also.length > 0 ? text('thread-also', { also: candidate.also.join(', ') }) : ''}
        </span>
        <span
          className="fits"
          role="img"
          aria-label={text('thread-fits-in-a-hundred', { score: Math.round(candidate.score * 100) })}
        >
          <span style={{ width: `${Math.max(2, candidate.score * 100)}%` }} />
        </span>
        <button
          type="button"
          className="act"
          onClick={take}
          aria-label={text('thread-take-it', { callout: candidate.callout })}
        >
          {text('page-take-it')}
        </button>
      </div>
      {(first || candidate.disagrees.length > 0) && (
        <ul className="told-of">
          {first && candidate.agrees.map(a => <li key={a}>✓ {a}</li>)}
          {candidate.disagrees.map(d => (
            <li key={d} className="off">
              ✗ {d}
            </li>
          ))}
        </ul>
      )}
      {candidate.spaces != null && <p className="off">{text('thread-fits-only-if', { spaces: candidate.spaces })}</p>}
    </li>
  );
}

/** The measuring sheet of a sample: drawn, one thing at a time, any of it; the list tightens as it comes. */
export function SampleSheet({ job, onTaken }: { job: Job; onTaken?: () => void }) {
  const sample = (job.request.sample ?? {}) as SampleRequest;
  const change = useChange(job);
  const unit = useUnit();
  const [at, setAt] = useState<string>(
    () =>
      QUESTIONS().find(q => q.told(sample, unit) === null && !(q.id === 'gauge' && sample.spaces))?.id ?? 'outside',
  );
  const question = QUESTIONS().find(q => q.id === at) ?? QUESTIONS()[0];
  const found = useQuery({
    queryKey: ['identify', sample],
    queryFn: async ({ signal }) => unwrap(await api.POST('/api/v1/identify', { body: sample, signal })),
    placeholderData: keepPreviousData,
  });
  const take = (thread: Record<string, unknown>) =>
    change.mutate(
      {
        request: {
          thread: { callout: null, special: null, side: null, class: null, hand: null, starts: null, ...thread },
        } as never,
      },
      { onSuccess: onTaken },
    );
  const first = found.data?.candidates[0];
  if (!question) return null;
  const next = () => {
    const i = QUESTIONS().findIndex(q => q.id === at);
    const open = [...QUESTIONS().slice(i + 1), ...QUESTIONS().slice(0, i)].find(
      q => q.told(sample, unit) === null && q.id !== at && q.id !== 'gauge',
    );
    if (open) setAt(open.id);
  };
  return (
    <div className="station sample">
      <div className="drawn">
        <nav className="measured" aria-label={text('thread-what-can-be-measured')}>
          {QUESTIONS().map(q => (
            <button key={q.id} type="button" aria-current={q.id === at} onClick={() => setAt(q.id)}>
              {q.name}
              <b>{q.told(sample, unit) ?? '—'}</b>
            </button>
          ))}
        </nav>
        <div className="asking">
          <Answer key={at + String(job.revision)} job={job} sample={sample} question={question} next={next} />
          <div className="drawing">{found.data && <Outline drawing={found.data.drawing} />}</div>
        </div>
      </div>
      <aside aria-label={text('thread-what-it-may-be')}>
        {found.isError && <p className="fault">{inWords(found.error)}</p>}
        {change.isError && (
          <p className="fault" role="alert">
            {inWords(change.error)}
          </p>
        )}
        <div aria-live="polite" className="may-be">
          <h2>{text('thread-it-may-be')}</h2>
          {first?.next_check && (found.data?.candidates.length ?? 0) > 1 && (
            <p className="next-check">{first.next_check}</p>
          )}
          {found.data?.says.map(s => (
            <p key={s} className="how">
              {s}
            </p>
          ))}
          <ol className="may">
            {found.data?.candidates.map((c, i) => (
              <May key={c.callout} candidate={c} first={i === 0} take={() => take({ callout: c.callout })} />
            ))}
          </ol>
          {found.data?.candidates.length === 0 && found.data.says.length === 0 && (
            <p className="how">{text('thread-measure-anything-left')}</p>
          )}
        </div>
        {found.data?.special && (
          <button
            type="button"
            className="act plain"
            onClick={() =>
              take({ special: found.data.special, hand: sample.hand ?? null, starts: sample.starts ?? null })
            }
          >
            {text('thread-neither-make-these')}
          </button>
        )}
      </aside>
    </div>
  );
}
