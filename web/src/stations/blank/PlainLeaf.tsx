import { useState } from 'react';
import { inWords, type PlanRequest } from '../../api/client';
import { useChange } from '../../api/hooks';
import { useDraft } from '../../parts/draft';
import { figure } from '../../parts/Figure';
import { Leaf } from '../../parts/Leaf';
import { LengthForm } from '../../parts/LengthForm';
import { useUnit } from '../../parts/unit';
import type { StationProps } from '../JobPage';
import { say } from '../../app/voice';

type Blank = NonNullable<PlanRequest['blank']>;
type Plain = NonNullable<Blank['plain']>[number];
type Fit = NonNullable<NonNullable<Blank['register']>['fit']>;

const KINDS: [NonNullable<Plain['kind']>, string][] = [
  ['outside', 'outside diameter'],
  ['bore', 'bore'],
  ['length', 'length'],
  ['depth', 'depth'],
];
const FITS: [Fit, string][] = [
  ['close', 'close: located without shake'],
  ['running', 'running: turns freely'],
  ['easy', 'easy: goes together in dirt and grease'],
];

/** The plain part of the work: the register the mate runs on, and plain sizes with their limits. */
export function PlainLeaf({ job, plan, open, onClose }: StationProps & { open: boolean; onClose: () => void }) {
  return (
    <Leaf title="Register and plain sizes" open={open} onClose={onClose} wide>
      <PlainPart job={job} plan={plan} key={job.revision} />
    </Leaf>
  );
}

function PlainPart({ job, plan }: StationProps) {
  const unit = useUnit();
  const change = useChange(job);
  const told = job.request.blank;
  const plain = told?.plain ?? [];
  const register = told?.register;
  const [fit, setFit] = useState<Fit>(register?.fit ?? 'close');
  const [name, setName, toldName] = useDraft('plain:name', '');
  const [kind, setKind] = useState<NonNullable<Plain['kind']>>('outside');
  const [adding, setAdding] = useState(plain.length === 0);
  const keep = (list: Plain[], told?: () => void) =>
    change.mutate({ request: { blank: { plain: list } } }, { onSuccess: told });
  const external = plan.thread.side === 'external';
  return (
    <div className="held">
      <section aria-label="Register">
        <h3>A register for the mate’s plain part</h3>
        <LengthForm
          fields={[
            {
              name: 'mate_plain_mm',
              says: external ? 'its plain bore, measured' : 'its plain shank, measured',
              value: register?.mate_plain_mm,
            },
            { name: 'depth_mm', says: 'how deep', value: register?.depth_mm, optional: true },
          ]}
          act="Size it"
          disabled={job.frozen}
          onSet={(mm, told) =>
            change.mutate({ request: { blank: { register: { ...mm, fit } } } }, { onSuccess: told })
          }
          onClear={register ? () => change.mutate({ request: { blank: { register: null } } }) : undefined}
          clear="No register"
        >
          <label>
            fit
            <select value={fit} disabled={job.frozen} onChange={e => setFit(e.currentTarget.value as Fit)}>
              {FITS.map(([id, says]) => (
                <option key={id} value={id}>
                  {says}
                </option>
              ))}
            </select>
          </label>
        </LengthForm>
        {plan.blank.register && (
          <p>
            {external ? 'Turn' : 'Bore'} it {figure(plan.blank.register.min_mm, unit)} to{' '}
            {figure(plan.blank.register.max_mm, unit)}, {figure(plan.blank.register.depth_mm, unit)} deep.
          </p>
        )}
      </section>
      <section aria-label="Plain sizes">
        <h3>Plain sizes</h3>
        {plan.blank.plain?.map((line, i) => (
          <div key={line.name} className={`plain-line stands-${line.stands}`}>
            <b>{line.name}</b>, {KINDS.find(([id]) => id === line.kind)?.[1]}: {figure(line.min_mm, unit)} to{' '}
            {figure(line.max_mm, unit)}; {line.measured_mm ? `measures ${figure(line.measured_mm, unit)}, ` : ''}
            {line.left_mm ? `${figure(line.left_mm, unit)} still to come off, to the middle` : line.says}.
            <LengthForm
              fields={[{ name: 'measured_mm', says: 'measured', value: plain[i]?.measured_mm }]}
              act="Set"
              onSet={(mm, told) =>
                keep(
                  plain.map((p, j) => (j === i ? { ...p, measured_mm: mm.measured_mm ?? null } : p)),
                  told,
                )
              }
              onClear={() => keep(plain.filter((_, j) => j !== i))}
              clear="Strike out"
              disabled={job.frozen}
            />
          </div>
        ))}
        {adding ? (
          <LengthForm
            fields={[
              { name: 'nominal_mm', says: 'nominal' },
              { name: 'over_mm', says: 'upper deviation', signed: true, optional: true },
              { name: 'under_mm', says: 'lower deviation', signed: true, optional: true },
            ]}
            act="Add it"
            disabled={job.frozen}
            onSet={(mm, told) =>
              keep([...plain, { name, kind, ...mm }], () => {
                told();
                toldName();
              })
            }
          >
            <label>
              called
              <input
                value={name}
                autoComplete="off"
                placeholder="head diameter"
                onChange={e => setName(e.currentTarget.value)}
              />
            </label>
            <label>
              what it is
              <select value={kind} onChange={e => setKind(e.currentTarget.value as NonNullable<Plain['kind']>)}>
                {KINDS.map(([id, says]) => (
                  <option key={id} value={id}>
                    {says}
                  </option>
                ))}
              </select>
            </label>
          </LengthForm>
        ) : (
          <button type="button" className="act plain" disabled={job.frozen} onClick={() => setAdding(true)}>
            Add a plain size
          </button>
        )}
        <p className="how">
          {unit === 'in'
            ? 'With no deviation told, 0.004 in either way is taken.'
            : say('With no deviation told, a tenth of a milli{meter} either way is taken.')}
        </p>
      </section>
      {change.isError && (
        <p className="fault" role="alert">
          {inWords(change.error)}
        </p>
      )}
      {job.frozen && <p className="how">The cut has begun: its facts are frozen.</p>}
    </div>
  );
}
