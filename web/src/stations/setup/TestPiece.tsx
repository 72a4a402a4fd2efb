import { Link } from '@tanstack/react-router';
import { useState } from 'react';
import { api, type Correction, inWords, type Job, type Plan, unwrap } from '../../api/client';
import { useChange } from '../../api/hooks';
import { useTestPieces } from '../../api/part';
import { text } from '../../app/voice';
import { Leaf } from '../../parts/Leaf';
import { MadeJob } from '../../parts/MadeJob';

/** A test piece made as a job of its own. */
export function TestPieceFirst({ job, word }: { job: Job; word?: boolean }) {
  return (
    <MadeJob
      word={word}
      says={text('setup-test-piece-first')}
      make={async () => unwrap(await api.POST('/api/v1/jobs/{id}/test-piece', { params: { path: { id: job.id } } }))}
    />
  );
}

/** The test piece of a part not begun: made where stakes say so, and what it found, each taken over when that is said. */
export function TestPiece({ job, plan }: { job: Job; plan: Plan }) {
  const [open, setOpen] = useState(false);
  const pieces = useTestPieces(job, !job.frozen).data ?? [];
  if (job.frozen) return null;
  const asked = plan.proof.by === 'test_piece' || plan.watch.some(w => w.code === 'test_piece');
  if (pieces.length === 0) return asked ? <TestPieceFirst job={job} word /> : null;
  const n = pieces.reduce((all, piece) => all + piece.corrections.length, 0);
  return (
    <>
      <button type="button" className="word" aria-haspopup="dialog" onClick={() => setOpen(true)}>
        {n > 0 ? text('setup-test-piece-found-so-many', { n }) : text('setup-test-piece-found')}
      </button>
      <Leaf title={text('setup-test-piece-found')} open={open} onClose={() => setOpen(false)} wide>
        {pieces.map(piece => (
          <section key={piece.job} className="test-piece">
            <h3>
              <Link to="/jobs/$id/$station" params={{ id: piece.job, station: 'log' }}>
                {piece.title}
              </Link>
            </h3>
            {piece.corrections.map(c => (
              <Found key={c.code} job={job} found={c} />
            ))}
            {piece.corrections.length === 0 && (
              <p>{text(piece.begun ? 'setup-test-piece-nothing' : 'setup-test-piece-not-begun')}</p>
            )}
          </section>
        ))}
      </Leaf>
    </>
  );
}

function Found({ job, found }: { job: Job; found: Correction }) {
  const change = useChange(job);
  return (
    <div className="found">
      <p>{found.says}</p>
      <button
        type="button"
        className="act plain"
        disabled={change.isPending}
        aria-label={`${text('setup-test-piece-take')}: ${found.says}`}
        onClick={() => change.mutate({ request: found.change as never })}
      >
        {text('setup-test-piece-take')}
      </button>
      {change.isError && (
        <p className="fault" role="alert">
          {inWords(change.error)}
        </p>
      )}
    </div>
  );
}
