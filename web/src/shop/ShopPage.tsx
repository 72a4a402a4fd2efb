import { Link, useNavigate } from '@tanstack/react-router';
import { useEffect, useState } from 'react';
import { faultsOf, inWords } from '../api/client';
import { useLathes } from '../api/hooks';
import { Head } from '../app/Head';
import { Slash } from '../app/Slash';
import { Leaf } from '../parts/Leaf';
import { leadscrew } from '../parts/text';
import { DrawerShelves } from './DrawerShelves';
import { useAddLathe, useAway, usePutAway } from './hooks';
import { NameForm } from './NameLeaf';
import { type Found, Reading, readJson } from './Reading';
import { WholeShop } from './WholeShop';

/** The shop: its lathes and its drawer, lathes put away, and ways to add one. */
export function ShopPage() {
  const lathes = useLathes();
  const away = useAway();
  const back = usePutAway();
  const navigate = useNavigate();
  const add = useAddLathe(made => void navigate({ to: '/shop/lathes/$id', params: { id: made.id } }));
  const [leaf, setLeaf] = useState<'new' | 'import' | null>(null);
  const close = () => {
    setLeaf(null);
    add.reset();
  };
  useEffect(() => {
    document.title = 'The shop';
  }, []);
  return (
    <div className="shell">
      <Head>
        <h1 className="board-name">The shop</h1>
      </Head>
      <main className="board">
        <section aria-labelledby="lathes-head">
          <h2 id="lathes-head">Lathes</h2>
          {lathes.isError && <p className="fault">{inWords(lathes.error)}</p>}
          <ul className="jobs">
            {lathes.data?.map(l => (
              <li key={l.id}>
                <Link to="/shop/lathes/$id" params={{ id: l.id ?? '' }}>
                  <b>{l.name ?? l.id}</b>
                  <span>
                    {leadscrew(l)}
                    {(l.gearbox?.length ?? 0) > 1 || l.plate ? ', gearbox' : ''}
                    {l.dial ? '' : ', no dial'}
                  </span>
                </Link>
              </li>
            ))}
          </ul>
        </section>
        <div className="row">
          <button type="button" className="act" onClick={() => setLeaf('new')}>
            Describe a lathe
          </button>
          <button type="button" className="act plain" onClick={() => setLeaf('import')}>
            Read a lathe file
          </button>
        </div>
        <DrawerShelves />
        <WholeShop />
        {(away.data?.length ?? 0) > 0 && (
          <section aria-labelledby="away-head">
            <h2 id="away-head">Deleted</h2>
            <ul className="away">
              {away.data?.map(l => (
                <li key={l.id} className="row">
                  <span>{l.name ?? l.id}</span>
                  <button
                    type="button"
                    className="act plain"
                    onClick={() => back.mutate({ id: l.id ?? '', back: true })}
                  >
                    Undo: bring the {l.name ?? l.id} back
                  </button>
                </li>
              ))}
            </ul>
          </section>
        )}
      </main>
      <Leaf title="A new lathe" open={leaf === 'new'} onClose={close}>
        {leaf === 'new' && (
          <>
            <p className="how">
              Give it a name; what you do not tell afterwards stands at what is usual, and says so.
            </p>
            <NameForm
              now=""
              act="Describe it"
              fault={add.isError ? inWords(add.error) : null}
              onName={name => add.mutate({ name })}
            />
          </>
        )}
      </Leaf>
      <Leaf title="Read a lathe file" open={leaf === 'import'} onClose={close} wide>
        {leaf === 'import' && <Import add={add} />}
      </Leaf>
      <Slash />
    </div>
  );
}

/** A lathe file read in; each fault is told at its line. */
function Import({ add }: { add: ReturnType<typeof useAddLathe> }) {
  const [faults, setFaults] = useState<Found[]>([]);
  const read = (text: string, told: () => void) => {
    const json = readJson(text);
    if ('says' in json) return setFaults([json]);
    add.mutate(
      { profile: json.value },
      {
        onSuccess: told,
        onError: e => {
          const wrong = faultsOf(e).map(f => {
            const at = f.pointer.replace('/profile', '');
            return { says: `${at.slice(1).replaceAll('/', ', ')}: ${f.detail}`, line: json.lineOf(at) };
          });
          setFaults(wrong.length ? wrong : [{ says: inWords(e) }]);
        },
      },
    );
  };
  return (
    <Reading
      how="A lathe as it is exported. Nothing is kept until the whole of it reads."
      accept=".json,application/json"
      act="Read it in"
      faults={faults}
      busy={add.isPending}
      onText={() => setFaults([])}
      onRead={read}
    />
  );
}
