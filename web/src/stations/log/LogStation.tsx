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
import { text } from '../../app/voice';
import { when } from '../../parts/text';

type Line = NonNullable<LogView['story']>['lines'][number];

/** What was done, in the order it was told; what was taken back stays, struck out. */
function StoryList({ lines }: { lines: Line[] }) {
  return (
    <div className="story" role="region" aria-label={text('log-done-newest-first')} tabIndex={0}>
      <ol>
        {[...lines].reverse().map(l => (
          <li key={l.id} className={l.undone ? 'taken-back' : l.verdict === 'in_limits' ? 'good' : undefined}>
            <time dateTime={l.happened}>{when(l.happened)}</time>
            <div>
              <b>{l.says}</b>
              {l.undone && <span> {text('log-taken-back')}</span>}
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
          <p>{text('log-your-hand-comes', { reaction_s: learned.reaction_s.toFixed(1) })}</p>
          {!job.frozen && (
            <button
              type="button"
              className={`act${ownReaction ? '' : ' plain'}`}
              aria-pressed={ownReaction}
              onClick={() =>
                change.mutate({ request: { setup: { reaction_s: ownReaction ? null : learned.reaction_s } } })
              }
            >
              {ownReaction ? text('log-used-here-leave') : text('log-reckon-stop-room')}
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
          {used ? text('log-used-here-leave') : text('log-begin-job')}
        </button>
      )}
      {job.frozen && used && <p className="how">{text('log-job-began-learned')}</p>}
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
          {log && (story ? story.result : text('log-nothing-been-cut'))}{' '}
          {job.request.gauge?.spring && text('log-began-spring-learned')}
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
        { says: text('log-passes-cut'), text: String(run?.passes_done ?? 0) },
        story?.last_mm && {
          says: text('log-read-last'),
          figure: story.last_mm,
          under: story.last_says ?? undefined,
        },
        run?.tip && { says: text('log-tip-as-found'), text: run.tip.flat_text, under: run.tip.says },
      ]}
      beside={<OutboxSays outbox={outbox} kept={text('log-kept-here-will')} />}
      acts={
        <>
          <button type="button" className="act" onClick={() => setLeaf('note')}>
            {text('log-write-a-note')}
          </button>
          <button type="button" className="act plain" onClick={() => setLeaf('photos')}>
            {log?.photos.length
              ? text('log-so-many-photographs', { photos: log.photos.length })
              : text('log-photographs')}
          </button>
          {log?.learned && (
            <button type="button" className="act plain" onClick={() => setLeaf('learned')}>
              {text('log-what-was-learned')}
            </button>
          )}
          {story && (
            <a className="act plain as-link" href={`/api/v1/jobs/${job.id}/log.csv`} download>
              {text('log-passes-and-readings-csv')}
            </a>
          )}
          <a className="act plain as-link" href={`/api/v1/jobs/${job.id}/job.json`} download>
            {text('log-job-file')}
          </a>
        </>
      }
    >
      <Leaf title={text('log-a-note')} open={leaf === 'note'} onClose={close}>
        <NoteForm
          onTold={written => {
            record({ kind: 'note', text: written });
            close();
          }}
        />
      </Leaf>
      <Leaf title={text('log-photographs')} open={leaf === 'photos'} onClose={close}>
        <Photos job={job} photos={log?.photos ?? []} />
      </Leaf>
      <Leaf title={text('log-what-was-learned')} open={leaf === 'learned'} onClose={close}>
        {log?.learned && <LearnedSaid job={job} learned={log.learned} />}
      </Leaf>
    </Station>
  );
}
