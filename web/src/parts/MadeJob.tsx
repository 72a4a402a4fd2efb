import { useMutation, useQueryClient } from '@tanstack/react-query';
import { useNavigate } from '@tanstack/react-router';
import { inWords } from '../api/client';

/** Makes a job beside another one at a touch, and goes to it: a button, or a word of the sentence. */
export function MadeJob({ says, make, word }: { says: string; make: () => Promise<{ id: string }>; word?: boolean }) {
  const queries = useQueryClient();
  const navigate = useNavigate();
  const making = useMutation({
    mutationFn: make,
    onSuccess: made => {
      void queries.invalidateQueries({ queryKey: ['jobs'] });
      void navigate({ to: '/jobs/$id/$station', params: { id: made.id, station: 'thread' } });
    },
  });
  return (
    <>
      <button
        type="button"
        className={word ? 'word' : 'act plain'}
        disabled={making.isPending}
        onClick={() => making.mutate()}
      >
        {says}
      </button>
      {making.isError && (
        <span className="fault" role="alert">
          {inWords(making.error)}
        </span>
      )}
    </>
  );
}
