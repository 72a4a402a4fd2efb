import { useState } from 'react';
import { inWords, type PlanRequest } from '../../api/client';
import { useChange } from '../../api/hooks';
import { useDraft } from '../../parts/draft';
import { figure } from '../../parts/Figure';
import { Leaf } from '../../parts/Leaf';
import { LengthForm } from '../../parts/LengthForm';
import { useUnit } from '../../parts/unit';
import type { StationProps } from '../JobPage';
import { said, spoken, text } from '../../app/voice';

type Blank = NonNullable<PlanRequest['blank']>;
type Plain = NonNullable<Blank['plain']>[number];
type Fit = NonNullable<NonNullable<Blank['register']>['fit']>;

const KINDS = spoken<[NonNullable<Plain['kind']>, string][]>(() => [
  ['outside', text('blank-outside-diameter')],
  ['bore', text('blank-kind-bore')],
  ['length', text('blank-kind-length')],
  ['depth', text('blank-kind-depth')],
]);
const FITS = spoken<[Fit, string][]>(() => [
  ['close', text('blank-close-located-without-shake')],
  ['running', text('blank-running-turns-freely')],
  ['easy', text('blank-easy-goes-together')],
]);

/** The plain part of the work: the register the mate runs on, and plain sizes with their limits. */
export function PlainLeaf({ job, plan, open, onClose }: StationProps & { open: boolean; onClose: () => void }) {
  return (
    <Leaf title={text('blank-register-and-plain-sizes')} open={open} onClose={onClose} wide>
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
      <section aria-label={text('blank-register-head')}>
        <h3>{text('blank-register-mates-plain')}</h3>
        <LengthForm
          fields={[
            {
              name: 'mate_plain_mm',
              says: external ? text('blank-its-plain-bore-measured') : text('blank-its-plain-shank-measured'),
              value: register?.mate_plain_mm,
            },
            { name: 'depth_mm', says: text('blank-how-deep'), value: register?.depth_mm, optional: true },
          ]}
          act={text('blank-size-it')}
          disabled={job.frozen}
          onSet={(mm, told) =>
            change.mutate({ request: { blank: { register: { ...mm, fit } } } }, { onSuccess: told })
          }
          onClear={register ? () => change.mutate({ request: { blank: { register: null } } }) : undefined}
          clear={text('blank-no-register')}
        >
          <label>
            {text('blank-fit')}
            <select value={fit} disabled={job.frozen} onChange={e => setFit(e.currentTarget.value as Fit)}>
              {FITS().map(([id, says]) => (
                <option key={id} value={id}>
                  {says}
                </option>
              ))}
            </select>
          </label>
        </LengthForm>
        {plan.blank.register && (
          <p>
            {text('blank-it-to-deep', {
              make: external ? text('blank-turn') : text('blank-bore'),
              min: figure(plan.blank.register.min_mm, unit),
              max: figure(plan.blank.register.max_mm, unit),
              depth: figure(plan.blank.register.depth_mm, unit),
            })}
          </p>
        )}
      </section>
      <section aria-label={text('page-plain-sizes')}>
        <h3>{text('page-plain-sizes')}</h3>
        {plan.blank.plain?.map((line, i) => (
          <div key={line.name} className={`plain-line stands-${line.stands}`}>
            {said('blank-plain-line', {
              name: <b>{line.name}</b>,
              kind: KINDS().find(([id]) => id === line.kind)?.[1],
              min: figure(line.min_mm, unit),
              max: figure(line.max_mm, unit),
              measured: line.measured_mm && text('blank-measures', { measured: figure(line.measured_mm, unit) }),
              left: line.left_mm ? text('blank-still-come-off', { left: figure(line.left_mm, unit) }) : line.says,
            })}
            <LengthForm
              fields={[{ name: 'measured_mm', says: text('page-measured'), value: plain[i]?.measured_mm }]}
              act={text('page-set')}
              onSet={(mm, told) =>
                keep(
                  plain.map((p, j) => (j === i ? { ...p, measured_mm: mm.measured_mm ?? null } : p)),
                  told,
                )
              }
              onClear={() => keep(plain.filter((_, j) => j !== i))}
              clear={text('page-strike-out')}
              disabled={job.frozen}
            />
          </div>
        ))}
        {adding ? (
          <LengthForm
            fields={[
              { name: 'nominal_mm', says: text('page-nominal') },
              { name: 'over_mm', says: text('page-upper-deviation'), signed: true, optional: true },
              { name: 'under_mm', says: text('page-lower-deviation'), signed: true, optional: true },
            ]}
            act={text('page-add-it')}
            disabled={job.frozen}
            onSet={(mm, told) =>
              keep([...plain, { name, kind, ...mm }], () => {
                told();
                toldName();
              })
            }
          >
            <label>
              {text('page-called-within')}
              <input
                value={name}
                autoComplete="off"
                placeholder={text('blank-head-diameter')}
                onChange={e => setName(e.currentTarget.value)}
              />
            </label>
            <label>
              {text('blank-what-it-is')}
              <select value={kind} onChange={e => setKind(e.currentTarget.value as NonNullable<Plain['kind']>)}>
                {KINDS().map(([id, says]) => (
                  <option key={id} value={id}>
                    {says}
                  </option>
                ))}
              </select>
            </label>
          </LengthForm>
        ) : (
          <button type="button" className="act plain" disabled={job.frozen} onClick={() => setAdding(true)}>
            {text('blank-add-a-plain-size')}
          </button>
        )}
        <p className="how">{unit === 'in' ? text('page-deviation-told-0') : text('page-deviation-told-tenth')}</p>
      </section>
      {change.isError && (
        <p className="fault" role="alert">
          {inWords(change.error)}
        </p>
      )}
      {job.frozen && <p className="how">{text('blank-cut-begun-facts')}</p>}
    </div>
  );
}
