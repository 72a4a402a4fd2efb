import { useMutation, useQueryClient } from '@tanstack/react-query';
import { Link } from '@tanstack/react-router';
import { useId, useState } from 'react';
import { Word } from '../../app/Word';
import { api, inWords, unwrap } from '../../api/client';
import { useDraft } from '../../parts/draft';
import { figure } from '../../parts/Figure';
import { Leaf } from '../../parts/Leaf';
import { useUnit } from '../../parts/unit';
import { TestPieceFirst } from '../setup/TestPiece';
import type { StationProps } from '../JobPage';
import { MateLeaf } from './MateLeaf';
import { said, text } from '../../app/voice';

/** The pair and the part, in words: which first, how close, and the part's other threads. */
export function PairWords({ job, plan, mesh, onMesh }: StationProps & { mesh: boolean; onMesh: () => void }) {
  const unit = useUnit();
  const id = useId();
  const queries = useQueryClient();
  const [adding, setAdding] = useState(false);
  const [fitting, setFitting] = useState(false);
  const [written, setText, told] = useDraft('another-thread', '');
  const { pair, thread } = plan;
  const other = thread.side === 'external' ? 'nut' : 'screw';
  const mate = job.members.find(m => m.mate);
  const add = useMutation({
    mutationFn: async (body: { mate?: boolean; callout?: string; same?: boolean }) =>
      unwrap(await api.POST('/api/v1/jobs/{id}/members', { params: { path: { id: job.id } }, body: body as never })),
    onSuccess: () => {
      setAdding(false);
      setText('');
      told();
      void queries.invalidateQueries({ queryKey: ['job', job.id] });
      void queries.invalidateQueries({ queryKey: ['jobs'] });
    },
  });
  const link = (m: (typeof job.members)[number], says: string) => (
    <Link key={m.id} className="word" to="/jobs/$id/$station" params={{ id: m.id, station: 'thread' }}>
      {says}
    </Link>
  );
  return (
    <>
      {pair && mate && (
        <>
          {said('thread-one-pair-between', {
            mate: link(mate, text('thread-its', { other })),
            school: (
              <Word
                job={job}
                about={text('thread-which-is-made-first')}
                set={job.request.mate?.school != null}
                edit={{
                  kind: 'choice',
                  choices: pair.schools.map(s => ({
                    says: s.school === pair.recommended ? text('thread-recommended', { says: s.says }) : s.says,
                    under: s.school === pair.recommended ? `${s.consequence} ${pair.reason}` : s.consequence,
                    chosen: s.school === pair.school,
                    patch: { mate: { school: s.school } },
                  })),
                }}
              >
                {(pair.schools.find(s => s.school === pair.school)?.says ?? '').toLowerCase()}
              </Word>
            ),
            now: figure(pair.clearances[0]?.now ?? thread.pitch_mm, unit),
            mesh: (
              <button type="button" className="word" aria-pressed={mesh} onClick={onMesh}>
                {mesh ? text('thread-see-the-form-alone') : text('thread-see-two-mesh')}
              </button>
            ),
            gaps: mesh && pair.gaps_times > 1 && text('thread-gaps-drawn-times', { gaps_times: pair.gaps_times }),
          })}{' '}
        </>
      )}
      {pair && (
        <>
          {said(pair.mate_doubt_mm ? 'thread-came-in-hand' : 'thread-fits-in-hand', {
            other,
            size: (
              <button
                type="button"
                className={`word${pair.mate_made_mm ? ' set' : ''}`}
                onClick={() => setFitting(true)}
              >
                {pair.mate_made_mm ? figure(pair.mate_made_mm, unit) : text('page-not-told')}
              </button>
            ),
          })}{' '}
        </>
      )}
      {!pair && !job.frozen && (
        <button type="button" className="word" aria-haspopup="dialog" onClick={() => setFitting(true)}>
          {text('thread-fit-to-hand', { other })}
        </button>
      )}{' '}
      <MateLeaf job={job} other={other} open={fitting} onClose={() => setFitting(false)} />
      {!mate && !job.frozen && (
        <button type="button" className="word" onClick={() => add.mutate({ mate: true })}>
          {text('thread-cut-its-too', { other })}
        </button>
      )}{' '}
      {job.members.some(m => !m.mate) && (
        <>
          {said('thread-on-the-same-part', {
            members: job.members.filter(m => !m.mate).map(m => link(m, m.title)),
          })}{' '}
        </>
      )}
      <button type="button" className="word" aria-haspopup="dialog" onClick={() => setAdding(true)}>
        {text('thread-add-thread-part')}
      </button>
      {add.isError && !adding && (
        <span className="fault" role="alert">
          {' '}
          {inWords(add.error)}
        </span>
      )}
      <Leaf title={text('thread-another-thread-part')} open={adding} onClose={() => setAdding(false)}>
        <form
          className="editor"
          onSubmit={e => {
            e.preventDefault();
            add.mutate({ callout: written });
          }}
        >
          <label htmlFor={id}>{text('page-callout')}</label>
          <input
            id={id}
            data-autofocus
            autoComplete="off"
            spellCheck={false}
            value={written}
            onChange={e => {
              add.reset();
              setText(e.currentTarget.value);
            }}
            aria-invalid={add.isError}
          />
          {add.isError && (
            <p className="fault" role="alert">
              {inWords(add.error)}
            </p>
          )}
          <button type="submit" className="act" disabled={!written.trim()}>
            {text('page-add-it')}
          </button>
          <button type="button" className="act plain" onClick={() => add.mutate({ same: true })}>
            {text('thread-same-again')}
          </button>
          <TestPieceFirst job={job} />
        </form>
      </Leaf>
    </>
  );
}
