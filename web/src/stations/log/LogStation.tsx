import { useState } from 'react';
import { inWords, type LogView } from '../../api/client';
import { type Patch, useChange } from '../../api/hooks';
import { useOutbox } from '../../api/outbox';
import { useLog } from '../../api/sheets';
import { Outline } from '../../drawing/Outline';
import { Leaf } from '../../parts/Leaf';
import { NoteForm } from '../../parts/NoteForm';
import { OutboxSays } from '../../parts/OutboxSays';
import type { StationProps } from '../JobPage';
import { Station } from '../Station';
import { Photos } from './Photos';
import './log.css';

type Line = NonNullable<LogView['story']>['lines'][number];

const CLOCK = new Intl.DateTimeFormat('en-GB', {
  day: 'numeric',
  month: 'short',
  hour: '2-digit',
  minute: '2-digit',
});

function when(happened: string): string {
  const at = new Date(happened);
  return Number.isNaN(at.getTime()) ? '' : CLOCK.format(at);
}

/** What was done, in the order it was told; what was taken back stays, struck out. */
function StoryList({ lines }: { lines: Line[] }) {
  return (
    <div className="story" role="region" aria-label="What was done, newest first" tabIndex={0}>
      <ol>
        {[...lines].reverse().map(l => (
          <li key={l.id} className={l.undone ? 'taken-back' : l.verdict === 'in_limits' ? 'good' : undefined}>
            <time dateTime={l.happened}>{when(l.happened)}</time>
            <div>
              <b>{l.says}</b>
              {l.undone && <span> Taken back.</span>}
              {l.then && <p>{l.then}</p>}
            </div>
          </li>
        ))}
      </ol>
    </div>
  );
}

/** What this lathe was found to do in this material, and whether the next plan begins from it. */
function LearnedSaid({ job, learned }: { job: StationProps['job']; learned: NonNullable<LogView['learned']> }) {
  const change = useChange(job);
  const used = job.request.gauge?.spring;
  const ownReaction = learned.reaction_s != null && job.request.setup?.reaction_s === learned.reaction_s;
  const set = (spring: object | null) => change.mutate({ request: { gauge: { spring } } as Patch });
  return (
    <div className="learned">
      <p>{learned.says}</p>
      {learned.mates?.map(m => (
        <p key={m}>{m}</p>
      ))}
      {learned.tip_says && <p>{learned.tip_says}</p>}
      {learned.reaction_s != null && (
        <>
          <p>Your hand comes within {learned.reaction_s.toFixed(1)} s of the mark nineteen times in twenty.</p>
          {!job.frozen && (
            <button
              type="button"
              className={`act${ownReaction ? '' : ' plain'}`}
              aria-pressed={ownReaction}
              onClick={() =>
                change.mutate({ request: { setup: { reaction_s: ownReaction ? null : learned.reaction_s } } })
              }
            >
              {ownReaction ? 'Used here: leave it out' : 'Reckon the stop room with it'}
            </button>
          )}
        </>
      )}
      {!job.frozen && (
        <button
          type="button"
          className={`act${used ? '' : ' plain'}`}
          aria-pressed={used != null}
          onClick={() => set(used ? null : { share: learned.spring, doubt: learned.spring_doubt })}
        >
          {used ? 'Used here: leave it out' : 'Begin this job from it'}
        </button>
      )}
      {job.frozen && used && <p className="how">This job began from what was learned.</p>}
      {change.isError && (
        <p className="fault" role="alert">
          {inWords(change.error)}
        </p>
      )}
    </div>
  );
}

/** Log: what was done and learned. */
export function LogStation({ job, plan }: StationProps) {
  const answer = useLog(job);
  const outbox = useOutbox(job);
  const { record } = outbox;
  const log = answer.data;
  const story = log?.story;
  const run = job.run;
  const [leaf, setLeaf] = useState<'note' | 'photos' | 'learned' | null>(null);
  const close = () => setLeaf(null);
  return (
    <Station
      id="log"
      plan={plan}
      sentence={
        <>
          {log &&
            (story
              ? story.result
              : 'Nothing has been cut yet; the plan is frozen at the first pass, and its story begins there.')}{' '}
          {job.request.gauge?.spring && 'It began from the spring learned on this lathe.'}
        </>
      }
      drawing={
        <div className={log && !story ? 'log-drawn nothing' : 'log-drawn'}>
          {answer.isError && !log && (
            <p className="fault" role="alert">
              {inWords(answer.error)}
            </p>
          )}
          {story?.sizes && <Outline drawing={story.sizes} />}
          {story && <StoryList lines={story.lines} />}
        </div>
      }
      numbers={[
        { says: 'Passes cut', text: String(run?.passes_done ?? 0) },
        story?.last_mm && {
          says: 'Read last',
          figure: story.last_mm,
          under: story.last_says ?? undefined,
        },
        run?.tip && { says: 'Tip, as found', text: run.tip.flat_text, under: run.tip.says },
      ]}
      beside={<OutboxSays outbox={outbox} kept="It is kept here and will be sent." />}
      acts={
        <>
          <button type="button" className="act" onClick={() => setLeaf('note')}>
            Write a note
          </button>
          <button type="button" className="act plain" onClick={() => setLeaf('photos')}>
            {log?.photos.length ? `Photographs: ${log.photos.length}` : 'Photographs'}
          </button>
          {log?.learned && (
            <button type="button" className="act plain" onClick={() => setLeaf('learned')}>
              What was learned
            </button>
          )}
          {story && (
            <a className="act plain as-link" href={`/api/v1/jobs/${job.id}/log.csv`} download>
              Passes and readings (CSV)
            </a>
          )}
          <a className="act plain as-link" href={`/api/v1/jobs/${job.id}/job.json`} download>
            The job as a file
          </a>
        </>
      }
    >
      <Leaf title="A note" open={leaf === 'note'} onClose={close}>
        <NoteForm
          onTold={text => {
            record({ kind: 'note', text });
            close();
          }}
        />
      </Leaf>
      <Leaf title="Photographs" open={leaf === 'photos'} onClose={close}>
        <Photos job={job} photos={log?.photos ?? []} />
      </Leaf>
      <Leaf title="What was learned" open={leaf === 'learned'} onClose={close}>
        {log?.learned && <LearnedSaid job={job} learned={log.learned} />}
      </Leaf>
    </Station>
  );
}
