import { Link, useParams } from '@tanstack/react-router';
import { useEffect, useState } from 'react';
import { type Cable, faultsOf, inWords } from '../../api/client';
import { Head } from '../../app/Head';
import { Slash } from '../../app/Slash';
import { said, text } from '../../app/voice';
import { useLatheView } from '../hooks';
import { Micrometer } from './Micrometer';
import { Readout } from './Readout';
import { type OneProps, useInstruments, type Which } from './hooks';
import { CableForm } from './CableForm';

/** The instruments of a lathe that speak: where their cables end, what their lines mean. */
export function InstrumentsPage() {
  const id = useParams({ strict: false }).id ?? '';
  const lathe = useLatheView(id);
  const { view, tell } = useInstruments(id);
  const name = lathe.data?.said?.name ?? lathe.data?.profile.name ?? '';
  useEffect(() => {
    document.title = name ? text('instruments-title', { name }) : text('instruments-page');
  }, [name]);
  return (
    <div className="shell">
      <Head>
        <h1 className="sentence">
          {said('instruments-title', {
            name: (
              <Link to="/shop/lathes/$id" params={{ id }} className="word">
                {name}
              </Link>
            ),
          })}
        </h1>
      </Head>
      <main className="instruments">
        <p className="how">{text('instruments-says')}</p>
        {view.isError && <p className="fault">{inWords(view.error)}</p>}
        {view.data && (
          <div className="instruments-two">
            {WHICH.map(which => (
              <One key={which} which={which} lathe={id} {...view.data} tell={tell} />
            ))}
          </div>
        )}
      </main>
      <Slash />
    </div>
  );
}

const WHICH: Which[] = ['readout', 'micrometer'];

/** What was wrong with its cable, by field. */
function faultsOfCable(error: unknown, which: Which): Record<string, string> {
  const at = `/${which}/cable/`;
  const own = faultsOf(error).filter(f => f.pointer.startsWith(at));
  return Object.fromEntries(own.map(f => [f.pointer.slice(at.length), f.detail]));
}

function One({ which, ...props }: OneProps & { which: Which }) {
  const { told, tell } = props;
  const now = told[which];
  const [changing, setChanging] = useState(false);
  const cabled = (cable: Cable) =>
    tell.mutate(
      {
        ...told,
        [which]: now
          ? { ...now, cable }
          : which === 'readout'
            ? { cable, always: true, axes: [] }
            : { cable, inches: false },
      },
      { onSuccess: () => setChanging(false) },
    );
  const faults = tell.isError ? faultsOfCable(tell.error, which) : {};
  return (
    <section className="instrument" aria-labelledby={`${which}-head`} data-which={which}>
      <h2 id={`${which}-head`}>{text(which === 'readout' ? 'instruments-readout' : 'instruments-micrometer')}</h2>
      {now && !changing ? (
        <>
          {which === 'readout' ? <Readout {...props} /> : <Micrometer {...props} />}
          <div className="row">
            <button type="button" className="act plain" onClick={() => setChanging(true)}>
              {text('instruments-change')}
            </button>
            <button
              type="button"
              className="act plain"
              onClick={() => tell.mutate(Object.fromEntries(Object.entries(told).filter(([name]) => name !== which)))}
            >
              {text('instruments-take-away')}
            </button>
          </div>
        </>
      ) : (
        <CableForm
          now={now?.cable}
          faults={faults}
          onCable={cabled}
          onLeave={now ? () => setChanging(false) : undefined}
        />
      )}
      {tell.isError && Object.keys(faults).length === 0 && (
        <p className="fault" role="alert">
          {inWords(tell.error)}
        </p>
      )}
    </section>
  );
}
