import { useState } from 'react';
import { inWords, type Job, type RouteView } from '../../api/client';
import { useDropRoute, usePutRoute, useRoute, useTick } from '../../api/part';
import { v4 } from 'uuid';
import { Leaf } from '../../parts/Leaf';
import { PartFrame } from '../PartFrame';
import { AgainLeaf } from './AgainLeaf';
import { Chucking } from './Chucking';
import { OpSide } from './OpSide';
import { type Operation, type Route, before, changed, places } from './moves';
import { text } from '../../app/voice';

/** A part's route: its set-ups, what is done in each, and what must be true before the part leaves it. */
export function RoutePage() {
  return <PartFrame sheet="route">{job => <RouteOf job={job} key={job.id} />}</PartFrame>;
}

function RouteOf({ job }: { job: Job }) {
  const answer = useRoute(job);
  if (answer.isError && !answer.data)
    return (
      <p className="fault" role="alert">
        {inWords(answer.error)}
      </p>
    );
  if (!answer.data) return <p className="how">{text('route-making-the-route')}</p>;
  return <Shown job={job} view={answer.data} />;
}

function Shown({ job, view }: { job: Job; view: RouteView }) {
  const [chosen, setChosen] = useState<string | null>(null);
  const put = usePutRoute(job);
  const drop = useDropRoute(job);
  const tick = useTick(job);
  const { route, said } = view;
  const ops = said.setups.flatMap(s => s.ops);
  const next = ops.find(o => !o.done);
  const at = ops.find(o => o.id === chosen) ?? next ?? ops[0];
  const setups = route.setups ?? [];
  const send = (to: Route) => put.mutate({ route: to, revision: view.revision });
  const failed = [put, drop, tick].find(m => m.isError);
  const [adding, setAdding] = useState<string | null>(null);
  const [spoilt, setSpoilt] = useState<string | null>(null);
  const spoiltIn = said.setups.find(s => s.ops.some(o => o.id === spoilt));
  // The thread on the piece that is spoilt: the part's own of that name.
  const thread = view.jobs.find(j => j.id === spoiltIn?.piece);
  const add = (kind: NonNullable<Operation['kind']>) => {
    const setup = setups.find(s => s.id === adding);
    const op: Operation = {
      id: v4(),
      kind,
      ...(kind === 'own' ? { says: text('route-your-own-operation') } : { job: setup?.piece }),
    };
    // It stands where the lessons of order put it; from there it is the user's to move.
    const first = view.may_add.find(m => m.kind === kind)?.before ?? [];
    const ops = [...(setup?.ops ?? [])];
    const at = ops.findIndex(o => first.includes(o.kind ?? 'own'));
    ops.splice(at < 0 ? ops.length : at, 0, op);
    send({ setups: setups.map(s => (s.id === adding ? { ...s, ops } : s)) });
    setChosen(op.id ?? null);
    setAdding(null);
  };
  return (
    <div className="two-sided route-page">
      <div className="wide-side">
        <p className="how">
          {text('route-all-come', {
            takes: said.takes,
            left: said.left,
            made: view.revision === 0 ? text('route-made-job-change') : text('route-as-you-changed-it'),
            left_out:
              view.left_out.length > 0 && ` ${text('route-left-out-until', { left_out: view.left_out.join(', ') })}`,
          })}
        </p>
        {said.remarks.length > 0 && (
          <ul className="remarks" aria-label={text('route-what-this-order-costs')}>
            {said.remarks.map(r => (
              <li key={`${r.op}${r.before}${r.says}`}>
                <p>▲ {r.says}</p>
                {r.op !== r.before && (
                  <button
                    type="button"
                    className="act plain"
                    disabled={put.isPending}
                    onClick={() => send(before(route, r.op, r.before))}
                  >
                    {text('route-put-it-first')}
                  </button>
                )}
              </li>
            ))}
          </ul>
        )}
        {said.setups.map((setup, i) => (
          <Chucking
            key={setup.id}
            n={i + 1}
            setup={setup}
            several={view.jobs.length > 1}
            chosen={at?.id ?? null}
            busy={put.isPending}
            onChoose={setChosen}
            onTick={(op, done) => tick.mutate({ op, done })}
            onOrder={ids => send(places(route, setup.id, ids))}
            onAdd={() => setAdding(setup.id)}
            onHeld={held => send({ setups: setups.map(s => (s.id === setup.id ? { ...s, held } : s)) })}
            onLeave={leave => send({ setups: setups.map(s => (s.id === setup.id ? { ...s, leave } : s)) })}
          />
        ))}
        <div className="row">
          <button
            type="button"
            className="act plain"
            disabled={put.isPending}
            onClick={() =>
              send({
                setups: [
                  ...setups,
                  { id: v4(), piece: setups.at(-1)?.piece, held: text('route-in-the-chuck'), ops: [] },
                ],
              })
            }
          >
            {text('route-another-chucking')}
          </button>
          {view.revision > 0 && (
            <button type="button" className="act plain" disabled={drop.isPending} onClick={() => drop.mutate()}>
              {text('route-back-apps-own')}
            </button>
          )}
        </div>
        {failed && (
          <p className="fault" role="alert">
            {inWords(failed.error)}
          </p>
        )}
      </div>
      <Leaf title={text('route-add-an-operation')} open={adding !== null} onClose={() => setAdding(null)} wide>
        <div className="happened">
          {view.may_add.map(m => (
            <button key={m.kind} type="button" className="choice" onClick={() => add(m.kind)}>
              <b>{m.says}</b>
              <span>{m.asks.map(a => a.says).join(', ')}</span>
            </button>
          ))}
        </div>
      </Leaf>
      {spoilt !== null && (
        <AgainLeaf
          job={job}
          op={spoilt}
          name={ops.find(o => o.id === spoilt)?.name ?? ''}
          thread={thread?.own ?? job.id}
          onClose={() => setSpoilt(null)}
        />
      )}
      <aside aria-label={text('route-the-operation')}>
        {at && (
          <OpSide
            key={`${at.id}${view.revision}`}
            op={at}
            setups={said.setups}
            jobs={view.jobs}
            asks={view.may_add.find(m => m.kind === at.kind)?.asks ?? []}
            busy={put.isPending || tick.isPending}
            onTook={took => tick.mutate({ op: at.id ?? '', done: true, took })}
            onSpoilt={() => setSpoilt(at.id ?? '')}
            onChange={(patch, onError) =>
              put.mutate({ route: changed(route, at.id ?? '', patch), revision: view.revision }, { onError })
            }
            onMove={setup =>
              send(
                places(route, setup, [
                  ...(said.setups.find(s => s.id === setup)?.ops.map(o => o.id ?? '') ?? []),
                  at.id ?? '',
                ]),
              )
            }
            onRemove={() => {
              send({ setups: setups.map(s => ({ ...s, ops: (s.ops ?? []).filter(o => o.id !== at.id) })) });
              setChosen(null);
            }}
          />
        )}
      </aside>
    </div>
  );
}
