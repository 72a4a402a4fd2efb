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
import { DescribeLathe } from './DescribeLathe';
import { type Found, Reading, readJson } from './Reading';
import { WholeShop } from './WholeShop';
import { WrittenDrawer } from './WrittenDrawer';
import { text } from '../app/voice';

/** The shop: its lathes and its drawer, lathes put away, and ways to add one. */
export function ShopPage() {
  const lathes = useLathes();
  const away = useAway();
  const back = usePutAway();
  const navigate = useNavigate();
  const add = useAddLathe(made => void navigate({ to: '/shop/lathes/$id', params: { id: made.id } }));
  const [leaf, setLeaf] = useState<'import' | null>(null);
  const close = () => {
    setLeaf(null);
    add.reset();
  };
  useEffect(() => {
    document.title = text('shop-the-shop');
  }, []);
  return (
    <div className="shell">
      <Head>
        <h1 className="board-name">{text('shop-the-shop')}</h1>
      </Head>
      <main className="board">
        <section aria-labelledby="lathes-head">
          <h2 id="lathes-head">{text('shop-lathes')}</h2>
          {lathes.isError && <p className="fault">{inWords(lathes.error)}</p>}
          <ul className="jobs lathes">
            {lathes.data?.map(l => (
              <li key={l.id}>
                <Link to="/shop/lathes/$id" params={{ id: l.id ?? '' }}>
                  <b>{l.name ?? l.id}</b>
                  <span>
                    {leadscrew(l)}
                    {(l.gearbox?.length ?? 0) > 1 || l.plate ? text('shop-gearbox') : ''}
                    {l.dial ? '' : text('shop-no-dial')}
                  </span>
                </Link>
              </li>
            ))}
          </ul>
        </section>
        <div className="row">
          <DescribeLathe says={text('shop-describe-a-lathe')} />
          <button type="button" className="act plain" onClick={() => setLeaf('import')}>
            {text('shop-read-a-lathe-file')}
          </button>
          <Link to="/shop/network" className="act plain">
            {text('network-page')}
          </Link>
        </div>
        <div className="drawer">
          <DrawerShelves />
          <WrittenDrawer />
        </div>
        <WholeShop />
        {(away.data?.length ?? 0) > 0 && (
          <section aria-labelledby="away-head">
            <h2 id="away-head">{text('shop-deleted')}</h2>
            <ul className="away">
              {away.data?.map(l => (
                <li key={l.id} className="row">
                  <span>{l.name ?? l.id}</span>
                  <button
                    type="button"
                    className="act plain"
                    onClick={() => back.mutate({ id: l.id ?? '', back: true })}
                  >
                    {text('shop-undo-bring-the-back', { name: l.name ?? l.id })}
                  </button>
                </li>
              ))}
            </ul>
          </section>
        )}
      </main>
      <Leaf title={text('shop-read-a-lathe-file')} open={leaf === 'import'} onClose={close} wide>
        {leaf === 'import' && <Import add={add} />}
      </Leaf>
      <Slash />
    </div>
  );
}

/** A lathe file read in; each fault is told at its line. */
function Import({ add }: { add: ReturnType<typeof useAddLathe> }) {
  const [faults, setFaults] = useState<Found[]>([]);
  const read = (written: string, told: () => void) => {
    const json = readJson(written);
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
      how={text('shop-lathe-exported-nothing')}
      accept=".json,application/json"
      name="lathe"
      act={text('shop-read-it-in')}
      faults={faults}
      busy={add.isPending}
      onText={() => setFaults([])}
      onRead={read}
    />
  );
}
