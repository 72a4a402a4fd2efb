import { useMutation } from '@tanstack/react-query';
import { api, inWords, unwrap } from '../../api/client';
import { Leaf } from '../../parts/Leaf';
import { LengthForm } from '../../parts/LengthForm';
import type { PointedProps } from '../JobPage';
import { text } from '../../app/voice';

/** What did I hang? The pitch measured on the scratch, and the mistakes that give just that. */
export function ScratchLeaf({ job, plan, open, onClose }: PointedProps & { open: boolean; onClose: () => void }) {
  const ask = useMutation({
    mutationFn: async (measured_mm: number | null) =>
      unwrap(await api.POST('/api/v1/scratch', { body: { plan: job.request, measured_mm } as never })),
  });
  return (
    <Leaf title={text('gears-what-did-i-hang')} open={open} onClose={onClose}>
      <div className="held">
        <p className="how">
          {text('gears-lay-rule-along', {
            pitch: plan.thread.pitch_text,
            starts: plan.thread.starts > 1 ? text('gears-its-lead-times-that', { starts: plan.thread.starts }) : '',
          })}
        </p>
        <LengthForm
          fields={[{ name: 'measured_mm', says: text('gears-one-turn-scratch') }]}
          act={text('gears-name-the-mistake')}
          onSet={(mm, told) => ask.mutate(mm.measured_mm ?? null, { onSuccess: told })}
        />
        {ask.isError && (
          <p className="fault" role="alert">
            {inWords(ask.error)}
          </p>
        )}
        {ask.data && (
          <div aria-live="polite">
            <p>
              <b>{ask.data.says}</b>
            </p>
            <ul className="mistakes">
              {ask.data.mistakes.map(m => (
                <li key={m.says}>{m.says}</li>
              ))}
            </ul>
          </div>
        )}
      </div>
    </Leaf>
  );
}
