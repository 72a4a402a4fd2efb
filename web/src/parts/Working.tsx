import { createContext, type ReactNode, useContext, useState } from 'react';
import type { Plan, Rule } from '../api/client';
import { useRules } from '../api/hooks';
import { Formula, symbol } from './Formula';
import { Leaf } from './Leaf';
import { text } from '../app/voice';

const Open = createContext<((line: number) => void) | null>(null);

/** Opens the working of a line of the plan. */
export const useWorking = () => useContext(Open);

const UNITS: Record<Rule['gives']['unit'], string> = {
  mm: 'mm',
  in: 'in',
  um: 'µm',
  deg: '°',
  one: '',
  mm2: 'mm²',
  ppm: 'ppm',
  rpm: 'rpm',
  mpm: 'm/min',
  s: 's',
};
const shown = (value: number) => String(Number(value.toFixed(5)));

function Line({ plan, rule, line, go }: { plan: Plan; rule: Rule; line: number; go: (line: number) => void }) {
  const [lit, setLit] = useState<string | null>(null);
  const working = plan.workings[line];
  if (!working) return null;
  const operands = working.of.map(o =>
    typeof o === 'number' ? { value: o, line: null } : { value: plan.workings[o.w]?.gives ?? 0, line: o.w },
  );
  const values = Object.fromEntries(rule.takes.map((t, i) => [t.name, shown(operands[i]?.value ?? 0)]));
  return (
    <div className="working">
      <p className="formula">
        <Formula text={rule.formula} left={rule.gives.name} lit={lit} onLit={setLit} />
      </p>
      {!rule.formula.startsWith('table') && (
        <p className="formula filled">
          <Formula text={rule.formula} of={name => values[name]} lit={lit} onLit={setLit} />
        </p>
      )}
      <p className="formula result">
        = {shown(working.gives)} {UNITS[rule.gives.unit]}
      </p>
      <table>
        <tbody>
          {rule.takes.map((t, i) => {
            const operand = operands[i];
            return (
              <tr
                key={t.name}
                className={lit === t.name ? 'lit' : undefined}
                onPointerEnter={() => setLit(t.name)}
                onPointerLeave={() => setLit(null)}
                onFocus={() => setLit(t.name)}
              >
                <th scope="row">{symbol(t.name)}</th>
                <td>{t.meaning}</td>
                <td className="number">
                  {operand?.line === null || operand?.line === undefined ? (
                    `${shown(operand?.value ?? 0)} ${UNITS[t.unit]}`
                  ) : (
                    <button type="button" className="opens" onClick={() => go(operand.line)}>
                      {shown(operand.value)} {UNITS[t.unit]}
                    </button>
                  )}
                </td>
              </tr>
            );
          })}
        </tbody>
      </table>
      <p>
        <b>{text('parts-from')}</b> {rule.source}.
      </p>
      {working.assumed && (
        <p>
          <b>{text('parts-assumed')}</b> {working.assumed}.
        </p>
      )}
      {rule.schools.map(s => (
        <p key={s}>
          <b>{text('parts-other-schools')}</b> {s}
        </p>
      ))}
    </div>
  );
}

/** Gives everything below it a way to open a number's working. */
export function WorkingProvider({ plan, children }: { plan: Plan; children: ReactNode }) {
  const [trail, setTrail] = useState<number[]>([]);
  const rules = useRules(trail.length > 0);
  const line = trail.at(-1);
  const rule = line === undefined ? undefined : rules.data?.find(r => r.id === plan.workings[line]?.rule);
  return (
    <Open value={start => setTrail([start])}>
      {children}
      <Leaf title={rule?.title ?? text('parts-how-it-was-got')} open={trail.length > 0} onClose={() => setTrail([])}>
        {rule && line !== undefined && (
          <Line plan={plan} rule={rule} line={line} go={next => setTrail([...trail, next])} />
        )}
        {rules.isError && <p className="fault">{text('parts-rules-texts-could')}</p>}
        {trail.length > 1 && (
          <button type="button" className="act plain" onClick={() => setTrail(trail.slice(0, -1))}>
            {text('parts-back')}
          </button>
        )}
      </Leaf>
    </Open>
  );
}
