import { useId, useState } from 'react';
import { type ActKind, api, inWords, type Job, type Plan, unwrap } from '../../api/client';
import { readLength } from '../../api/length';
import { figure } from '../../parts/Figure';
import { Leaf } from '../../parts/Leaf';
import { NumberPad } from '../../parts/NumberPad';
import { useUnit } from '../../parts/unit';
import { FitForm } from './FitForm';

/** Takes a reading, questions one that cannot be right, and records it. */
export function MeasureLeaf({ job, plan, open, onClose, record }: { job: Job; plan: Plan; open: boolean; onClose: () => void; record: (act: ActKind) => void }) {
  const id = useId();
  const shown = useUnit();
  const [unit, setUnit] = useState<'mm' | 'in' | null>(null);
  const [by, setBy] = useState<'wires' | 'micrometer' | 'mate' | null>(null);
  const [text, setText] = useState('');
  const [fault, setFault] = useState<string | null>(null);
  const [questions, setQuestions] = useState<string[]>([]);
  const typed = unit ?? shown;
  const wires = plan.gauge.wire_mm;
  const how = by ?? (plan.proof?.ways.some((w) => w.chosen && w.by === 'mate') ? 'mate' : wires ? 'wires' : 'micrometer');
  const titles = { wires: 'What the micrometer reads over the wires', micrometer: 'Pitch diameter by thread micrometer', mate: 'How the mate went' };
  const others = (['wires', 'micrometer', 'mate'] as const).filter((w) => w !== how && (w !== 'wires' || wires));
  const INSTEAD = { wires: 'Over wires instead', micrometer: 'Thread micrometer instead', mate: 'The mate instead' };
  const instead = others.map((w) => (
    <button key={w} type="button" className="act plain" onClick={() => setBy(w)}>
      {INSTEAD[w]}
    </button>
  ));

  const close = () => {
    setText('');
    setFault(null);
    setQuestions([]);
    onClose();
  };
  const enter = async (sure: boolean) => {
    setFault(null);
    const read = await readLength(text, typed);
    if (read.fault !== undefined) return setFault(read.fault);
    try {
      const reading = how === 'wires' ? { over_wires_mm: read.mm } : { pitch_diameter_mm: read.mm };
      if (!sure && job.run?.begun) {
        const judged = unwrap(
          await api.POST('/api/v1/gauge', { body: { plan: job.request as never, readings: [{ ...reading, at_radial_mm: job.run.stands_mm }] } as never }),
        );
        if (judged.questions.length > 0) return setQuestions(judged.questions);
      }
      record({ kind: 'measured', ...reading });
      return close();
    } catch (error) {
      return setFault(inWords(error));
    }
  };
  return (
    <Leaf title={titles[how]} open={open} onClose={close}>
      {how === 'mate' ? (
        <>
          <FitForm
            unit={typed}
            onTold={(act) => {
              record(act);
              close();
            }}
          />
          <div className="row">{instead}</div>
        </>
      ) : (
      <form
        className="editor"
        onSubmit={(e) => {
          e.preventDefault();
          void enter(questions.length > 0);
        }}
      >
        <label htmlFor={id}>
          {how === 'wires' && wires ? `Three ${figure(wires, shown)} wires; aim ${plan.gauge.over_wires_mm ? figure(plan.gauge.over_wires_mm.target, shown) : ''}` : `Aim ${figure(plan.cut.target_pitch_diameter_mm, shown)}`}
        </label>
        <div className="row">
          <input
            id={id}
            data-autofocus
            className="grow"
            inputMode="decimal"
            autoComplete="off"
            value={text}
            onChange={(e) => {
              setQuestions([]);
              setText(e.currentTarget.value);
            }}
            aria-invalid={fault !== null}
            aria-describedby={fault ? `${id}-fault` : undefined}
          />
          <button type="button" className="act plain" onClick={() => setUnit(typed === 'mm' ? 'in' : 'mm')} aria-label={`Reading is in ${typed}; change`}>
            {typed}
          </button>
        </div>
        {fault && <p className="fault" role="alert" id={`${id}-fault`}>{fault}</p>}
        {questions.length > 0 && (
          <div role="alert">
            {questions.map((q) => <p key={q} className="fault">{q}</p>)}
          </div>
        )}
        <NumberPad value={text} onChange={(t) => { setQuestions([]); setText(t); }} />
        <div className="row">
          <button type="submit" className="act">
            {questions.length > 0 ? 'It reads so: record it' : 'Judge it'}
          </button>
          {instead}
        </div>
      </form>
      )}
    </Leaf>
  );
}
