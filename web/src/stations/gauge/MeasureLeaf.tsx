import { useState } from 'react';
import { type ActKind, api, type Job, type Measured, type Plan, unwrap } from '../../api/client';
import { useLive } from '../../api/live';
import { useGaugeSheet } from '../../api/sheets';
import { Leaf } from '../../parts/Leaf';
import { useUnit } from '../../parts/unit';
import { FitForm } from './FitForm';
import { SizeForm } from './SizeForm';
import { type How, nameOf, TITLES, usualWay, waysOf } from './ways';
import { spoken, text } from '../../app/voice';

const PLUG = spoken<[NonNullable<Measured['plug']>, string][]>(() => [
  ['go_stops', text('gauge-go-end-does')],
  ['go_goes', text('gauge-go-goes-go')],
  ['not_go_goes', text('gauge-go-end-goes')],
]);

/** A micrometer that has not spoken yet. */
const NOTHING_SENT = { n: 0, text: '' };

/** What to see to before anything is read or tried, so that it tells of the thread and of nothing else. */
const FIRST = spoken(() => text('gauge-first-burrs-sharp'));

/** Takes a reading or a trial, questions one that cannot be right, and records it. */
export function MeasureLeaf({
  job,
  plan,
  open,
  onClose,
  record,
}: {
  job: Job;
  plan: Plan;
  open: boolean;
  onClose: () => void;
  record: (act: ActKind) => void;
}) {
  const unit = useUnit();
  const sheet = useGaugeSheet(job, open).data;
  const live = useLive(job, open).live;
  const sent = live && (live.sent ?? NOTHING_SENT);
  const [by, setBy] = useState<How | null>(null);
  const how = by ?? usualWay(plan);
  const told = (act: ActKind) => {
    record(act);
    onClose();
  };
  const judge = async (reading: Measured) => {
    if (!job.run?.begun) return [];
    const judged = unwrap(
      await api.POST('/api/v1/gauge', {
        body: { job: job.id, readings: [{ ...reading, at_radial_mm: job.run.stands_mm }] } as never,
      }),
    );
    return judged.questions;
  };
  return (
    <Leaf title={TITLES()[how]} open={open} onClose={onClose}>
      {open && (
        <>
          <div className="row ways" role="tablist" aria-label={text('gauge-how-read-tried')}>
            {waysOf(plan).map(w => (
              <button
                key={w}
                type="button"
                role="tab"
                aria-selected={w === how}
                className={`way${w === how ? ' on' : ''}`}
                onClick={() => setBy(w)}
              >
                {nameOf(w, plan)}
              </button>
            ))}
          </div>
          <p className="how">{FIRST()}</p>
          {how === 'mate' ? (
            <FitForm unit={unit} onTold={told} />
          ) : how === 'plug' ? (
            <div className="mate-fits">
              {PLUG().map(([plug, says]) => (
                <button key={plug} type="button" className="choice" onClick={() => told({ kind: 'measured', plug })}>
                  {says}
                </button>
              ))}
            </div>
          ) : (
            <SizeForm
              key={how}
              how={how}
              plan={plan}
              sheet={sheet}
              sent={sent}
              judge={judge}
              onTold={reading => told({ kind: 'measured', ...reading })}
            />
          )}
        </>
      )}
    </Leaf>
  );
}
