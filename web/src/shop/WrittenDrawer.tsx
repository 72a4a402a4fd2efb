import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { api, inWords, type Kit, unwrap, type WrittenDrawer as WrittenDrawerBody } from '../api/client';
import { useKit } from '../api/hooks';
import { spoken, text } from '../app/voice';
import { useDraft } from '../parts/draft';
import { Leaf } from '../parts/Leaf';
import { OF_THE_DRAWER } from './hooks';

type List = keyof WrittenDrawerBody;

const LISTS = spoken<{ list: List; head: string; how: string }[]>(() => [
  { list: 'bits', head: text('shop-bits-and-bars'), how: text('shop-bits-how') },
  { list: 'bars', head: text('shop-bars'), how: text('shop-bars-how') },
  { list: 'inserts', head: text('shop-inserts'), how: text('shop-inserts-how') },
  { list: 'blades', head: text('shop-blades'), how: text('shop-blades-how') },
  { list: 'drills', head: text('shop-drills'), how: text('shop-drills-how') },
  { list: 'reamers', head: text('shop-reamers'), how: text('shop-reamers-how') },
  { list: 'chasers', head: text('shop-chasers'), how: text('shop-chasers-how') },
  { list: 'wires', head: text('shop-wires'), how: text('shop-wires-how') },
  { list: 'micrometers', head: text('shop-micrometers'), how: text('shop-micrometers-how') },
  { list: 'gauges', head: text('shop-gauges'), how: text('shop-gauges-how') },
  { list: 'indicators', head: text('shop-indicators'), how: text('shop-indicators-how') },
  { list: 'holders', head: text('shop-holders'), how: text('shop-holders-how') },
]);

/** How many of a list the drawer holds. */
const countOf = (kit: Kit | undefined, list: List) =>
  (list === 'drills' ? kit?.drills_mm : list === 'wires' ? kit?.wires_mm : kit?.[list])?.length;

/** What is told a thing or a set a line: sizes, and what has no story of its own. */
export function WrittenDrawer() {
  const kit = useKit().data;
  const [open, setOpen] = useState<List | null>(null);
  const lines = useQuery({
    queryKey: ['kit', 'written'],
    queryFn: async () => unwrap(await api.GET('/api/v1/kit/written')),
    enabled: open !== null,
    gcTime: 0,
  });
  const shown = LISTS().find(l => l.list === open);
  const now = open && lines.data ? (lines.data[open] ?? '') : null;
  return (
    <section aria-labelledby="written-head" className="all">
      <h2 id="written-head">{text('shop-drills-wires-micrometers')}</h2>
      <ul className="jobs written">
        {LISTS().map(({ list, head }) => (
          <li key={list}>
            <button type="button" className="shelved" data-list={list} onClick={() => setOpen(list)}>
              <b>{head}</b>
              <span>
                {countOf(kit, list)
                  ? text('shop-so-many-of-them', { n: countOf(kit, list) ?? 0 })
                  : text('page-none-within')}
              </span>
            </button>
          </li>
        ))}
      </ul>
      <Leaf title={shown?.head ?? ''} open={open !== null} onClose={() => setOpen(null)}>
        {lines.isError && <p className="fault">{inWords(lines.error)}</p>}
        {shown && now !== null && (
          <Lines key={open} list={shown.list} how={shown.how} now={now} done={() => setOpen(null)} />
        )}
      </Leaf>
    </section>
  );
}

/** One list as it is written; what does not read is said by its line, and nothing typed is lost. */
function Lines({ list, how, now, done }: { list: List; how: string; now: string; done: () => void }) {
  const queries = useQueryClient();
  const [written, setWritten, told] = useDraft(`drawer:${list}`, now);
  const put = useMutation({
    mutationFn: async () => unwrap(await api.PUT('/api/v1/kit/written', { body: { [list]: written } })),
    onSuccess: () => {
      told();
      for (const key of ['kit', ...OF_THE_DRAWER]) void queries.invalidateQueries({ queryKey: [key] });
      done();
    },
  });
  return (
    <form
      className="part-form"
      onSubmit={e => {
        e.preventDefault();
        put.mutate();
      }}
    >
      <label htmlFor={`drawer-${list}`}>{how}</label>
      <textarea
        id={`drawer-${list}`}
        data-autofocus
        rows={10}
        autoComplete="off"
        value={written}
        onChange={e => setWritten(e.currentTarget.value)}
        aria-invalid={put.isError}
      />
      {put.isError && (
        <p className="fault" role="alert">
          {inWords(put.error)}
        </p>
      )}
      <div className="row">
        <button type="submit" className="act" disabled={put.isPending}>
          {text('page-keep-it')}
        </button>
      </div>
    </form>
  );
}
