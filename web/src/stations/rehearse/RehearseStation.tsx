import { useCallback, useState } from 'react';
import { type Drill, type HandAct, inWords, type MotionView } from '../../api/client';
import { useChange } from '../../api/hooks';
import { TWICE_MS, useKeys } from '../../app/keys';
import { said, text } from '../../app/voice';
import { Outline } from '../../drawing/Outline';
import { Leaf } from '../../parts/Leaf';
import type { PointedProps } from '../JobPage';
import { Station } from '../Station';
import { HandLeaf } from './HandLeaf';
import { NoThreadToRehearse } from './NothingToRehearse';
import { PathLeaf } from './PathLeaf';
import { ShowLeaf } from './ShowLeaf';
import { Stage, Watched } from './Stage';
import { placed } from './motion';
import { Result } from './Result';
import { useRehearsal, useShown, useTold, useTry } from './useTry';
import './rehearse.css';

/** What is to be watched for what comes next. */
const watches = (motion: MotionView, next: HandAct | undefined) =>
  next === 'close'
    ? 'rehearse-watch-dial'
    : motion.drill === 'to_zero' && next !== 'go'
      ? 'rehearse-watch-collar'
      : 'rehearse-watch-mark';

/** The hand trained on air, at the job's own lathe, speed, thread and room. */
export function RehearseStation({ job, plan }: PointedProps) {
  const sheet = useRehearsal(job);
  const [chosen, setChosen] = useState<Drill | null>(null);
  const [leaf, setLeaf] = useState<'drill' | 'hand' | 'show' | 'path' | null>(null);
  const [play, setPlay] = useState<string>('right');
  const { watched, atLathe } = useTold(job);
  const { mutate: tellWatched } = watched;
  const path = sheet.data?.path;
  // Watching counts where it is a task.
  const seen = useCallback(
    (one: { drill: Drill; play: string }) => {
      if (path?.some(t => !t.done && t.drill === one.drill && t.play === one.play)) tellWatched(one);
    },
    [path, tellWatched],
  );
  const drills = sheet.data?.drills ?? [];
  const drill = drills.find(d => d.drill === chosen) ?? drills[0];
  const tries = useTry(job, drill?.drill);
  const change = useChange(job);
  const { now, result } = tries;
  const running = now != null && result == null;

  const shown = useShown(job, drill?.drill);
  // Before the first try it is seen as it would begin.
  const stands = now?.motion ?? shown.data?.motion;
  const where = (at: number) => (now ? tries.where(at) : placed(stands?.stretches ?? [], 0));
  const acts = now?.motion.acts ?? [];
  // The space bar does what comes next in its order.
  const next = now?.motion.order[now.keys.length];
  const space = (at: number) => {
    if (running) {
      if (next) tries.press(next, at);
    } else if (at - tries.toldAt > TWICE_MS) tries.begin();
  };
  const digit = (key: string, at: number) => {
    const act = acts.length > 1 ? acts[Number(key) - 1] : acts[0];
    if (running && act) tries.press(act.act, at);
  };
  useKeys({
    done: e => {
      e.preventDefault();
      space(e.timeStamp);
    },
    pedal: e => {
      e.preventDefault();
      space(e.timeStamp);
    },
    station: e => digit(e.key, e.timeStamp),
    rehearse: e => digit(e.key, e.timeStamp),
  });

  const hand = sheet.data?.hands ?? [];
  const says = now
    ? result
      ? ''
      : text(watches(now.motion, next))
    : text(tries.loading ? 'rehearse-setting-going' : 'rehearse-rest-hand');
  if (sheet.data && !drill) return <NoThreadToRehearse />;
  return (
    <Station
      id="rehearse"
      plan={plan}
      sentence={
        drill && (
          <>
            {said('rehearse-sentence', {
              what: (
                <button type="button" className="word" aria-haspopup="dialog" onClick={() => setLeaf('drill')}>
                  {drill.name}
                </button>
              ),
              at: now?.motion.at ?? plan.gears.lathe,
            })}
          </>
        )
      }
      drawing={
        <div className={`rehearsed${result ? ' judged' : ''}`}>
          <p className="how">{drill?.says}</p>
          {stands && <Stage key={now?.id ?? stands.drill} motion={stands} where={where} running={running} />}
          {result && (
            <div className="left-groove">
              <p className="how">{text('rehearse-groove-left')}</p>
              <Outline drawing={result.groove} />
            </div>
          )}
        </div>
      }
      numbers={stands?.figures ?? sheet.data?.figures ?? []}
      beside={
        <>
          <div aria-live="assertive" className="rehearse-says">
            {result ? <Result tried={result} /> : <p>{says}</p>}
          </div>
          {stands && !result && (
            <Watched key={now?.id ?? stands.drill} motion={stands} where={where} running={running} />
          )}
          {(tries.error ?? sheet.error) && (
            <p className="fault" role="alert">
              {inWords(tries.error ?? sheet.error)}
            </p>
          )}
          <div className={acts.length > 3 ? 'rehearse-keys many' : 'rehearse-keys'}>
            {running ? (
              acts.map((act, i) => (
                <button
                  key={act.act}
                  type="button"
                  className="act"
                  data-next={act.act === next || undefined}
                  // Told when the finger comes down, not when it is lifted.
                  onPointerDown={e => tries.press(act.act, e.timeStamp)}
                  onClick={e => e.detail === 0 && tries.press(act.act, e.timeStamp)}
                >
                  {acts.length === 1
                    ? text('rehearse-space', { name: act.name })
                    : text('rehearse-key', { key: String(i + 1), name: act.name })}
                </button>
              ))
            ) : (
              <button
                type="button"
                className="act"
                disabled={tries.loading || !drill}
                onClick={e => space(e.timeStamp)}
              >
                {text('rehearse-space', { name: text(now ? 'rehearse-again' : 'rehearse-begin') })}
              </button>
            )}
          </div>
        </>
      }
      acts={
        !running && (
          <>
            <button type="button" className="act plain" onClick={() => setLeaf('path')}>
              {text('rehearse-path')}
            </button>
            <button
              type="button"
              className="act plain"
              onClick={() => {
                setPlay('right');
                setLeaf('show');
              }}
              disabled={!drill}
            >
              {text('rehearse-show-me')}
            </button>
            <button type="button" className="act plain" onClick={() => setLeaf('hand')}>
              {text('rehearse-your-hand')}
            </button>
          </>
        )
      }
      notes={[<p key="air">{text('rehearse-caution')}</p>]}
    >
      <Leaf title={text('rehearse-which')} open={leaf === 'drill'} onClose={() => setLeaf(null)}>
        <div className="drills">
          {drills.map(d => (
            <button
              key={d.drill}
              type="button"
              className="choice"
              aria-pressed={d.drill === drill?.drill}
              onClick={() => {
                setChosen(d.drill);
                tries.drop();
                setLeaf(null);
              }}
            >
              {d.name}
              <small>{d.says}</small>
            </button>
          ))}
        </div>
      </Leaf>
      <HandLeaf
        hands={hand}
        open={leaf === 'hand'}
        onClose={() => setLeaf(null)}
        change={job.frozen ? null : request => change.mutate({ request })}
        error={change.error}
        rpm={plan.setup.speed_rpm?.value ?? null}
        drills={drills.filter(d => d.drill === 'stop_open' || d.drill === 'stop_spindle')}
        tell={atLathe}
      />
      <PathLeaf
        path={path ?? []}
        open={leaf === 'path'}
        onClose={() => setLeaf(null)}
        onTask={task => {
          if (task.drill !== drill?.drill) {
            setChosen(task.drill);
            tries.drop();
          }
          setPlay(task.play ?? 'right');
          setLeaf(task.play ? 'show' : null);
        }}
      />
      <ShowLeaf
        job={job}
        drill={drill}
        first={play}
        onWatched={seen}
        open={leaf === 'show'}
        onClose={() => setLeaf(null)}
      />
    </Station>
  );
}
