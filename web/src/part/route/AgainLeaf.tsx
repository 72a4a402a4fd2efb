import { useNavigate } from '@tanstack/react-router';
import { useRef } from 'react';
import { v4 } from 'uuid';
import { inWords, type Job } from '../../api/client';
import { useBeginAgain, useTellPart } from '../../api/part';
import { Leaf } from '../../parts/Leaf';
import { TextForm } from '../../parts/TextForm';
import { text } from '../../app/voice';

/** The piece is spoilt: why, and a new one goes on from this operation, what comes before it being done on it already. */
export function AgainLeaf({
  job,
  op,
  name,
  thread,
  onClose,
}: {
  job: Job;
  op: string;
  name: string;
  /** The job whose thread is on the spoilt piece. */
  thread: string;
  onClose: () => void;
}) {
  const id = useRef(v4());
  const tell = useTellPart(job);
  const again = useBeginAgain(job);
  const navigate = useNavigate();
  const failed = tell.error ?? again.error;
  return (
    <Leaf title={text('route-begin-again-from', { name })} open onClose={onClose}>
      <p className="how">{text('route-again-how')}</p>
      <TextForm
        name={`again:${op}`}
        label={text('page-what-spoilt-it')}
        value=""
        act={text('route-scrap-and-begin-again')}
        onTold={why =>
          tell.mutate(
            { part: thread, id: id.current, act: { kind: 'scrapped', why } },
            {
              onSuccess: () =>
                again.mutate(
                  { part: thread, from: op },
                  { onSuccess: made => void navigate({ to: '/jobs/$id/route', params: { id: made.id } }) },
                ),
            },
          )
        }
      />
      {failed && (
        <p className="fault" role="alert">
          {inWords(failed)}
        </p>
      )}
    </Leaf>
  );
}
