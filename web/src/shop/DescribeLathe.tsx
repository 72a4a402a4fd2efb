import { useNavigate } from '@tanstack/react-router';
import { inWords } from '../api/client';
import { useLathes } from '../api/hooks';
import { text } from '../app/voice';
import type { Ask } from './Asked';
import { useAddLathe } from './hooks';

/** What is asked first. */
const FIRST: Ask = 'screw';

/** Begins a lathe of one's own and asks the first thing of it. */
export function DescribeLathe({ says, plain }: { says: string; plain?: boolean }) {
  const navigate = useNavigate();
  const others = useLathes().data?.length ?? 0;
  const add = useAddLathe(
    made => void navigate({ to: '/shop/lathes/$id', params: { id: made.id }, search: { ask: FIRST } }),
  );
  const name = others === 0 ? text('shop-my-lathe') : text('shop-my-nth-lathe', { n: others + 1 });
  return (
    <>
      <button
        type="button"
        className={`act${plain ? ' plain' : ''}`}
        disabled={add.isPending}
        onClick={() => add.mutate({ name })}
      >
        {says}
      </button>
      {add.isError && (
        <p className="fault" role="alert">
          {inWords(add.error)}
        </p>
      )}
    </>
  );
}
