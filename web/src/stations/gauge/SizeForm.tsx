import { useEffect, useId, useRef, useState } from 'react';
import { type GaugeSheet, inWords, isPointed, type Measured, type Plan, type SentView } from '../../api/client';
import { readLength } from '../../api/length';
import { useDraft } from '../../parts/draft';
import { figure } from '../../parts/Figure';
import { NumberPad } from '../../parts/NumberPad';
import { Radios } from '../../parts/Radios';
import { useUnit } from '../../parts/unit';
import { aimOf, FIELD, type Figured } from './ways';
import { spoken, text } from '../../app/voice';

interface Typed {
  mm: string;
  along: string;
  around: string;
}

/** The kind of micrometer it is read with; none where none is. */
function micrometerOf(how: Figured, plan: Plan) {
  if (how === 'wires' || how === 'one_wire') return 'outside';
  if (how === 'micrometer') return plan.thread.side === 'external' ? 'thread' : 'inside_thread';
  return null;
}

const NO_PLACES: Typed[] = [];

/** Balls it is read over. */
const BALLS = spoken(() => [
  { is: 3, says: text('gauge-three') },
  { is: 2, says: text('gauge-two-opposite') },
]);

/** Sizes of wire offered beside one another. */
const OFFERED = 4;

interface SizeFormProps {
  how: Figured;
  plan: Plan;
  sheet: GaugeSheet | undefined;
  /** What a micrometer that speaks sent last. */
  sent: SentView | null;
  /** Judges it; what is asked back is shown, and told again it counts. */
  judge: (reading: Measured) => Promise<string[]>;
  onTold: (reading: Measured) => void;
}

/** The wire, or the ball and how many. */
function Over({
  how,
  sheet,
  told,
  onTold,
}: {
  how: Figured;
  sheet: GaugeSheet | undefined;
  told: Partial<Measured>;
  onTold: (more: Partial<Measured>) => void;
}) {
  const unit = useUnit();
  if (how === 'balls') {
    return (
      <>
        <Radios
          about={text('gauge-how-many-balls')}
          choices={BALLS()}
          chosen={n => told.balls === n}
          onChoose={balls => onTold({ balls })}
        />
        <Radios
          about={text('gauge-size-of-the-balls')}
          choices={(sheet?.balls ?? []).map(b => ({ is: b.ball_mm.value, says: figure(b.ball_mm, unit) }))}
          chosen={mm => told.wire_mm === mm}
          onChoose={wire_mm => onTold({ wire_mm })}
        />
      </>
    );
  }
  const serve = [...(sheet?.wires ?? []), ...(sheet?.shanks ?? [])].filter(w => w.serves).slice(0, OFFERED);
  if (how !== 'wires' && how !== 'one_wire') return null;
  return serve.length > 1 || !serve[0]?.chosen ? (
    <Radios
      about={text('gauge-wire-read-over')}
      choices={serve.map(w => ({ is: w, says: figure(w.wire_mm, unit) }))}
      chosen={w => (told.wire_mm == null ? w.chosen : told.wire_mm === w.wire_mm.value)}
      onChoose={w => onTold({ wire_mm: w.chosen ? undefined : w.wire_mm.value })}
    />
  ) : null;
}

/** A size: the figure, what it was read with, and the same at other places. */
export function SizeForm({ how, plan, sheet, sent, judge, onTold }: SizeFormProps) {
  const id = useId();
  const shown = useUnit();
  const [unit, setUnit] = useState(shown);
  const [written, setText, clear] = useDraft(`size:${how}`, '');
  const [outside, setOutside, clearOutside] = useDraft(`outside:${how}`, '');
  const [with_, setWith] = useState<Partial<Measured>>(how === 'balls' ? { balls: 3 } : {});
  const [places, setPlaces, clearPlaces] = useDraft<Typed[]>(`places:${how}`, NO_PLACES);
  const [fault, setFault] = useState<string | null>(null);
  const [questions, setQuestions] = useState<string[]>([]);
  const kind = micrometerOf(how, plan);
  const micrometers = (sheet?.micrometers ?? []).filter(m => (m.kind ?? 'outside') === kind);
  const planned = micrometers.find(
    m => m.name === (with_.instrument === undefined ? plan.proof.instrument : with_.instrument),
  );
  // The balls of the size nearest the best are taken until others are.
  const told: Partial<Measured> =
    how === 'balls' && with_.wire_mm === undefined ? { ...with_, wire_mm: sheet?.balls[0]?.ball_mm.value } : with_;
  const field = useRef<HTMLInputElement>(null);
  // After the key that opened this was let go of, or it would be the first letter typed.
  useEffect(() => {
    const timer = setTimeout(() => field.current?.focus());
    return () => clearTimeout(timer);
  }, []);
  const changed = (act: () => void) => {
    setQuestions([]);
    setFault(null);
    act();
  };
  // What was sent before this was opened was not for it.
  const [heard, setHeard] = useState(sent?.n ?? null);
  if (sent && heard !== sent.n) {
    setHeard(sent.n);
    if (heard !== null) {
      const waits = written.trim() === '' ? -1 : places.findIndex(p => p.mm.trim() === '');
      if (waits < 0) changed(() => setText(sent.text));
      else changed(() => setPlaces(places.map((p, i) => (i === waits ? { ...p, mm: sent.text } : p))));
    }
  }

  const enter = async () => {
    const length = async (typed: string) => {
      const read = await readLength(typed, unit);
      if (read.fault !== undefined) throw new Error(read.fault);
      return read.mm;
    };
    try {
      const reading: Measured = {
        [FIELD[how]]: await length(written),
        wire_mm: told.wire_mm ?? undefined,
        balls: how === 'balls' ? told.balls : undefined,
      };
      if (outside.trim() !== '') reading.outside_mm = await length(outside);
      if (planned) {
        reading.instrument = planned.name;
        if (planned.zero_mm) reading.zero_mm = planned.zero_mm;
        if (planned.spread_mm != null) reading.spread_mm = planned.spread_mm;
      }
      reading.places = [];
      for (const p of places) {
        const around = p.around.trim() === '' ? 0 : Number(p.around.replace(',', '.'));
        if (Number.isNaN(around)) throw new Error(text('gauge-degrees-around', { around: p.around }));
        reading.places.push({
          mm: await length(p.mm),
          along_mm: p.along.trim() === '' ? 0 : await length(p.along),
          around_deg: around,
        });
      }
      if (questions.length === 0) {
        const asked = await judge(reading);
        if (asked.length > 0) return setQuestions(asked);
      }
      for (const done of [clear, clearOutside, clearPlaces]) done();
      return onTold(reading);
    } catch (error) {
      return setFault(error instanceof Error && error.constructor === Error ? error.message : inWords(error));
    }
  };
  return (
    <form
      className="editor with-pad"
      onSubmit={e => {
        e.preventDefault();
        void enter();
      }}
    >
      <Over how={how} sheet={sheet} told={told} onTold={more => changed(() => setWith({ ...told, ...more }))} />
      <label htmlFor={id}>{aimOf(how, plan, sheet, told, shown)}</label>
      <div className="row">
        <input
          id={id}
          ref={field}
          data-autofocus
          className="grow"
          inputMode="decimal"
          autoComplete="off"
          value={written}
          onChange={e => {
            const typed = e.currentTarget.value;
            changed(() => setText(typed));
          }}
          aria-invalid={fault !== null}
          aria-describedby={fault ? `${id}-fault` : undefined}
        />
        <button
          type="button"
          className="act plain"
          onClick={() => setUnit(unit === 'mm' ? 'in' : 'mm')}
          aria-label={text('gauge-reading-is-in-change', { unit })}
        >
          {unit}
        </button>
      </div>
      {how === 'root' && isPointed(plan) && plan.blank.register && (
        <button
          type="button"
          className="act plain"
          onClick={() => {
            const at = plan.blank.register?.middle_mm;
            if (at) changed(() => setText(figure(at, shown)));
          }}
        >
          {text('gauge-register-touched')}
        </button>
      )}
      {how === 'one_wire' && (
        <label className="beside">
          {text('gauge-over-crests-if')}
          <input
            inputMode="decimal"
            autoComplete="off"
            value={outside}
            onChange={e => {
              const typed = e.currentTarget.value;
              changed(() => setOutside(typed));
            }}
          />
        </label>
      )}
      {places.map((p, i) => (
        <fieldset key={i} className="place">
          <legend>{text('gauge-another-reading')}</legend>
          {(['mm', 'along', 'around'] as const).map(part => (
            <label key={part}>
              {{ mm: text('gauge-reads'), along: text('gauge-along', { unit }), around: text('gauge-round') }[part]}
              <input
                inputMode="decimal"
                autoComplete="off"
                value={p[part]}
                onChange={e => {
                  const typed = e.currentTarget.value;
                  changed(() => setPlaces(places.map((q, j) => (j === i ? { ...q, [part]: typed } : q))));
                }}
              />
            </label>
          ))}
        </fieldset>
      ))}
      {fault && (
        <p className="fault" role="alert" id={`${id}-fault`}>
          {fault}
        </p>
      )}
      {questions.length > 0 && (
        <div role="alert">
          {questions.map(q => (
            <p key={q} className="fault">
              {q}
            </p>
          ))}
        </div>
      )}
      <div className="row">
        <button
          type="submit"
          className="act"
          // The bar that tells a pass is never to tell a doubted reading too.
          onKeyDown={e => e.key === ' ' && questions.length > 0 && e.preventDefault()}
          onKeyUp={e => e.key === ' ' && questions.length > 0 && e.preventDefault()}
        >
          {questions.length > 0 ? text('gauge-reads-record') : text('page-judge-it')}
        </button>
        <button
          type="button"
          className="act plain"
          onClick={() => setPlaces([...places, { mm: '', along: '', around: '' }])}
        >
          {text('gauge-another-place-or-again')}
        </button>
      </div>
      <NumberPad value={written} onChange={t => changed(() => setText(t))} />
      {micrometers.length > 0 && (
        <label className="beside">
          {text('gauge-read-with')}
          <select
            value={planned?.name ?? ''}
            onChange={e => {
              const name = e.currentTarget.value;
              changed(() => setWith({ ...told, instrument: name }));
            }}
          >
            <option value="">{text('gauge-something-else')}</option>
            {micrometers.map(m => (
              <option key={m.name} value={m.name}>
                {m.name}
              </option>
            ))}
          </select>
          {planned?.zero_mm ? <small>{text('gauge-zero-mm-taken', { zero: planned.zero_mm })}</small> : null}
        </label>
      )}
    </form>
  );
}
