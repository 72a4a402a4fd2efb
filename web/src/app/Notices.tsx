import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { api, inWords, unwrap } from '../api/client';
import { Leaf } from '../parts/Leaf';
import { text } from './voice';

/** What befell the shop's folder, over whatever page is open until it was read: nobody looks at the terminal. */
export function Notices() {
  const queries = useQueryClient();
  const [closed, setClosed] = useState(false);
  const notices = useQuery({
    queryKey: ['notices'],
    queryFn: async () => unwrap(await api.GET('/api/v1/notices')),
    refetchInterval: 600_000,
  });
  const read = useMutation({
    mutationFn: async () => {
      for (const { code } of notices.data ?? []) {
        const answer = await api.DELETE('/api/v1/notices/{code}', { params: { path: { code } } });
        if (answer.error) unwrap(answer);
      }
    },
    onSuccess: () => queries.setQueryData(['notices'], []),
  });
  if (!notices.data?.length) return null;
  return (
    <Leaf title={text('frame-before-you-go-on')} open={!closed} onClose={() => setClosed(true)}>
      <div className="held" role="alert">
        {notices.data.map(n => (
          <p key={n.code}>{n.says}</p>
        ))}
        {read.isError && <p className="fault">{inWords(read.error)}</p>}
        <div className="row">
          <button type="button" className="act" onClick={() => read.mutate()}>
            {text('frame-i-have-read-it')}
          </button>
        </div>
      </div>
    </Leaf>
  );
}
