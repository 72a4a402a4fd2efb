import { keepPreviousData, useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { api, type Candidate, inWords, type Job, type SampleRequest, unwrap } from '../../api/client';
import { type Patch, useChange } from '../../api/hooks';
import { readLength } from '../../api/length';
import { Outline } from '../../drawing/Outline';
import { NumberPad } from '../../parts/NumberPad';
import { useUnit } from '../../parts/unit';
import { say } from '../../app/voice';
import { typed } from '../../parts/text';

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

const QUESTIONS: Question[] = [
  {
    id: 'outside',
    doubt: 'major_mm',
    name: 'Outside',
    ask: 'What does it measure across the outside?',
    how: 'Over the least worn crests, often near the head. Worn crests measure small; that is allowed for.',
    typed: [{ field: 'major_mm', label: 'Outside diameter', kind: 'length' }],
    told: (s, unit) => length(s.major_mm, unit),
  },
  {
    id: 'spaces',
    doubt: 'over_mm',
    name: 'Spaces',
    ask: 'Lay a rule along it: how many spaces, over what length?',
    how: 'Count the gaps, not the crests: ten crests are nine spaces. Ten gaps or more is best.',
    typed: [
      { field: 'spaces', label: 'Spaces', kind: 'number' },
      { field: 'over_mm', label: 'They measure', kind: 'length' },
    ],
    told: (s, unit) => (s.spaces && s.over_mm ? `${s.spaces} over ${length(s.over_mm, unit)}` : null),
  },
  {
    id: 'gauge',
    doubt: 'pitch_mm',
    name: 'Pitch gauge',
    ask: 'Which leaf of the pitch gauge shows no light?',
    how: 'Milli{meter}s, or threads per inch. Leave it if you have no gauge.',
    typed: [
      { field: 'pitch_mm', label: 'Milli{meter}s', kind: 'number' },
      { field: 'tpi', label: 'or threads per inch', kind: 'number' },
    ],
    told: (s, unit) => (s.tpi ? `${s.tpi} TPI` : length(s.pitch_mm, unit)),
  },
  {
    id: 'root',
    doubt: 'minor_mm',
    name: 'Root',
    ask: 'What does it measure at the root?',
    how: 'Blades or points in the groove, either side. For a nut, the bore.',
    typed: [{ field: 'minor_mm', label: 'Root diameter', kind: 'length' }],
    told: (s, unit) => length(s.minor_mm, unit),
  },
  {
    id: 'angle',
    doubt: 'included_angle_deg',
    name: 'Angle',
    ask: 'Which angle gauge sits in the groove?',
    how: 'Both flanks without light. Half a degree does not matter here.',
    choices: [60, 55, 47.5, 30, 29].map(a => ({
      says: `${a}°`,
      under: { 60: 'metric, Unified', 55: 'Whitworth, pipe', 47.5: 'BA', 30: 'trapezoidal', 29: 'Acme' }[a],
      patch: { included_angle_deg: a },
    })),
    typed: [{ field: 'included_angle_deg', label: 'Another, degrees', kind: 'number' }],
    told: s =>
      s.included_angle_deg === null || s.included_angle_deg === undefined ? null : `${s.included_angle_deg}°`,
  },
  {
    id: 'hand',
    name: 'Hand',
    ask: 'Hold it upright: which way do the threads climb?',
    how: 'Look at the side toward you.',
    choices: [
      { says: 'Up to the right', under: 'right-hand', patch: { hand: 'right' } },
      { says: 'Up to the left', under: 'left-hand', patch: { hand: 'left' } },
    ],
    told: s => (s.hand ? `${s.hand}-hand` : null),
  },
  {
    id: 'starts',
    name: 'Starts',
    ask: 'How many threads begin at its end?',
    how: 'Look at the end: one beginning is a single start.',
    typed: [{ field: 'starts', label: 'Starts', kind: 'number' }],
    told: s => (s.starts ? String(s.starts) : null),
  },
  {
    id: 'wires',
    doubt: 'over_wires_mm',
    name: 'Over wires',
    ask: 'What does it measure over three wires?',
    how: 'Any three alike that stand above the crests. A worn flank measures small.',
    typed: [
      { field: 'wire_mm', label: 'Wire', kind: 'length' },
      { field: 'over_wires_mm', label: 'Over them', kind: 'length' },
    ],
    told: s => (s.over_wires ? `${s.over_wires.mm} mm` : null),
  },
  {
    id: 'side',
    name: 'Member',
    ask: 'Is the sample a screw or a nut?',
    how: 'Of a nut, the bore and the pitch can be told.',
    choices: [
      { says: 'A screw', patch: { side: 'external' } },
      { says: 'A nut', patch: { side: 'internal', over_wires: null } as never },
    ],
    told: s => (s.side === 'internal' ? 'a nut' : 'a screw'),
  },
];

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
      const text = (texts[f.field] ?? '').trim();
      if (text === '') {
        patch[f.field] = null;
        continue;
      }
      if (f.kind === 'number') {
        const value = Number(text.replace(',', '.'));
        if (Number.isNaN(value)) return setFault(`“${text}” is not a number; write it as in 10 or 2.5`);
        patch[f.field] = value;
      } else {
        const read = await readLength(text, unit);
        if (read.fault !== undefined) return setFault(read.fault);
        patch[f.field] = read.mm;
      }
    }
    if (question.doubt) {
      const value = Number(doubt.replace(',', '.'));
      if (doubt.trim() !== '' && !(value > 0))
        return setFault(`“${doubt}” is not a doubt; write it as in 0.1, or leave it empty for the usual`);
      patch.doubts = { [question.doubt]: doubt.trim() === '' ? null : value };
    }
    if ('wire_mm' in patch) {
      const { wire_mm: wire, over_wires_mm: over, doubts } = patch;
      if ((wire === null) !== (over === null))
        return setFault('Both are wanted: the wire, and the size over three of them.');
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
      <p className="how">{say(question.how)}</p>
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
              {say(f.label)}
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
              give or take{question.doubt === 'included_angle_deg' ? ' (°)' : ' (mm)'}
              <input
                inputMode="decimal"
                autoComplete="off"
                value={doubt}
                placeholder="usual"
                onFocus={() => setAt('doubt')}
                onChange={e => setDoubt(e.currentTarget.value)}
              />
            </label>
          )}
          <button type="submit" className="act">
            Set
          </button>
          {question.id !== 'side' && (
            <button type="button" className="act plain" onClick={clear}>
              Not measured
            </button>
          )}
        </div>
      )}
      {fields.length === 0 && question.id !== 'side' && (
        <button type="button" className="act plain" onClick={clear}>
          Not known
        </button>
      )}
      {fault && (
        <p className="fault" role="alert">
          {fault}
        </p>
      )}
      {fields.length > 0 && (
        <details className="pad-fold">
          <summary>Number pad</summary>
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
          {candidate.also.length > 0 ? `; also ${candidate.also.join(', ')}` : ''}
        </span>
        <span className="fits" role="img" aria-label={`fits ${Math.round(candidate.score * 100)} in a hundred`}>
          <span style={{ width: `${Math.max(2, candidate.score * 100)}%` }} />
        </span>
        <button type="button" className="act" onClick={take} aria-label={`Take it: ${candidate.callout}`}>
          Take it
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
      {candidate.spaces != null && (
        <p className="off">Fits only if the count is one out: {candidate.spaces} spaces.</p>
      )}
    </li>
  );
}

/** The measuring sheet of a sample: drawn, one thing at a time, any of it; the list tightens as it comes. */
export function SampleSheet({ job, onTaken }: { job: Job; onTaken?: () => void }) {
  const sample = (job.request.sample ?? {}) as SampleRequest;
  const change = useChange(job);
  const unit = useUnit();
  const [at, setAt] = useState<string>(
    () => QUESTIONS.find(q => q.told(sample, unit) === null && !(q.id === 'gauge' && sample.spaces))?.id ?? 'outside',
  );
  const question = QUESTIONS.find(q => q.id === at) ?? QUESTIONS[0];
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
    const i = QUESTIONS.findIndex(q => q.id === at);
    const open = [...QUESTIONS.slice(i + 1), ...QUESTIONS.slice(0, i)].find(
      q => q.told(sample, unit) === null && q.id !== at && q.id !== 'gauge',
    );
    if (open) setAt(open.id);
  };
  return (
    <div className="station sample">
      <div className="drawn">
        <nav className="measured" aria-label="What can be measured">
          {QUESTIONS.map(q => (
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
      <aside aria-label="What it may be">
        {found.isError && <p className="fault">{inWords(found.error)}</p>}
        {change.isError && (
          <p className="fault" role="alert">
            {inWords(change.error)}
          </p>
        )}
        <div aria-live="polite" className="may-be">
          <h2>It may be</h2>
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
            <p className="how">Measure anything on the left: one figure is a start.</p>
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
            Neither: make it to these measurements
          </button>
        )}
      </aside>
    </div>
  );
}
