import { Link, useNavigate, useParams } from '@tanstack/react-router';
import { type ReactNode, useEffect, useState } from 'react';
import { inWords, type LatheView } from '../api/client';
import { useSettings } from '../app/Settings';
import { Head } from '../app/Head';
import { Slash } from '../app/Slash';
import { useKeys } from '../app/keys';
import { Outline } from '../drawing/Outline';
import { UnitContext } from '../parts/unit';
import { BuyLeaf } from '../stations/gears/BuyLeaf';
import { ChartLeaf } from '../stations/gears/ChartLeaf';
import type { PartName } from './fields';
import { GearsLeaf } from './GearsLeaf';
import { useAddLathe, useLatheChange, useLatheView, usePutAway } from './hooks';
import { NameLeaf } from './NameLeaf';
import { PartLeaf } from './PartLeaf';
import { PlateLeaf } from './PlateLeaf';
import { say } from '../app/voice';

/** A lathe as its owner sees it: drawn, and in sentences whose words are touched to tell a part. */
export function LathePage() {
  const id = useParams({ strict: false }).id ?? '';
  const view = useLatheView(id);
  const settings = useSettings();
  const unit = settings.unit ?? (view.data?.profile.leadscrew?.pitch_mm ? 'mm' : 'in');
  const name = view.data?.said?.name ?? view.data?.profile.name ?? '';
  useEffect(() => {
    document.title = name ? `${name}: the shop` : 'The shop';
  }, [name]);
  return (
    <UnitContext value={unit}>
      <div className="shell">
        <Head unit={unit} onUnit={() => settings.setUnit(unit === 'mm' ? 'in' : 'mm')}>
          <h1 className="sentence">
            <Link to="/shop" className="word">
              The shop
            </Link>
            : the {name}
          </h1>
        </Head>
        <main className="station-main">
          {view.isError && <p className="fault">{inWords(view.error)}</p>}
          {view.data && <Told view={view.data} unit={unit} />}
        </main>
        <Slash />
      </div>
    </UnitContext>
  );
}

function Told({ view, unit }: { view: LatheView; unit: 'mm' | 'in' }) {
  const [open, setOpen] = useState<PartName | 'name' | 'chart' | 'buy' | null>(null);
  const { change, undo } = useLatheChange(view);
  const navigate = useNavigate();
  const goTo = (id: string) => void navigate({ to: '/shop/lathes/$id', params: { id } });
  const copy = useAddLathe(made => goTo(made.id));
  const away = usePutAway();
  const close = () => {
    setOpen(null);
    change.reset();
  };
  useKeys(undo ? { undo: undo.go } : {});
  const said = view.said;
  const part = (name: PartName) => said?.parts.find(p => p.part === name);
  const word = (name: PartName): ReactNode => {
    const p = part(name);
    if (!p) return null;
    const text = (unit === 'in' ? p.inch : undefined) ?? p.says;
    const assumed = !p.told && p.untold !== undefined && p.untold !== null;
    return (
      <button
        type="button"
        className={`word${p.told ? ' set' : ''}`}
        data-part={name}
        onClick={() => setOpen(name)}
        aria-label={`${say(NAMES[name])}: ${text}${assumed ? ', assumed' : ''}. Tell it`}
      >
        {text}
        {assumed && <small> (assumed)</small>}
      </button>
    );
  };
  const untold = said?.parts.filter(p => p.untold) ?? [];
  const props = { view, change, onClose: close };
  return (
    <div className="station lathe-told">
      <div className="drawn">
        {said && (
          <p className="sentence own">
            The leadscrew is {word('leadscrew')}; the first gear goes {word('stud')}. Its gearbox: {word('gearbox')}.
            The tumbler {word('tumbler')}.
          </p>
        )}
        <div className="drawing">
          {said && <Outline drawing={said.drawing} onPart={p => setOpen(p as PartName)} />}
        </div>
      </div>
      <aside>
        {undo && (
          <div className="row">
            <button type="button" className="act plain" onClick={undo.go}>
              Undo: {undo.says}
            </button>
          </div>
        )}
        {said?.assumed
          .filter(a => a.pointer.startsWith('/plate'))
          .map(a => (
            <p key={a.text} className="fault">
              {a.text}
            </p>
          ))}
        {said && (
          <dl className="parts-said">
            {LISTED.map(name => (
              <div key={name}>
                <dt>{say(NAMES[name])}</dt>
                <dd>{word(name)}</dd>
              </div>
            ))}
          </dl>
        )}
        {untold.length > 0 && (
          <section className="watch" aria-label="Not told yet">
            <ul>
              {untold.map(p => (
                <li key={p.part} className="note">
                  <span aria-hidden="true">●</span>
                  <p>
                    <b>{say(NAMES[p.part])}.</b> {p.untold}
                  </p>
                </li>
              ))}
            </ul>
          </section>
        )}
        <p className="how">{view.jobs.length ? `On it: ${view.jobs.join(', ')}.` : 'No job stands on it.'}</p>
        <div className="row lathe-acts">
          <button type="button" className="act plain" onClick={() => setOpen('name')}>
            Rename
          </button>
          <button type="button" className="act plain" onClick={() => setOpen('chart')}>
            Pitch chart
          </button>
          <button type="button" className="act plain" onClick={() => setOpen('buy')}>
            Gears to make or buy
          </button>
          <button
            type="button"
            className="act plain"
            disabled={copy.isPending}
            onClick={() => copy.mutate({ copy_of: view.id })}
          >
            Duplicate
          </button>
          <a
            className="act plain as-link"
            href={`/api/v1/lathes/${encodeURIComponent(view.id)}`}
            download={`${view.id}.json`}
          >
            Export
          </a>
          {view.away ? (
            <button type="button" className="act" onClick={() => away.mutate({ id: view.id, back: true })}>
              Bring it back
            </button>
          ) : (
            <button
              type="button"
              className="act plain"
              disabled={away.isPending}
              onClick={() =>
                away.mutate({ id: view.id, back: false }, { onSuccess: () => void navigate({ to: '/shop' }) })
              }
            >
              Delete
            </button>
          )}
        </div>
        {[copy, away].map(
          (m, i) =>
            m.isError && (
              <p key={i} className="fault" role="alert">
                {inWords(m.error)}
              </p>
            ),
        )}
      </aside>
      <PartLeaf part={open === 'name' || open === 'chart' || open === 'buy' ? null : open} {...props} />
      <GearsLeaf open={open === 'gears'} {...props} />
      <PlateLeaf open={open === 'gearbox'} {...props} />
      <NameLeaf open={open === 'name'} {...props} />
      <ChartLeaf lathe={view.id} name={said?.name ?? ''} open={open === 'chart'} onClose={close} />
      <BuyLeaf lathe={view.id} name={said?.name ?? ''} open={open === 'buy'} onClose={close} />
    </div>
  );
}

/** Parts told in the column, in the order they are; the others are in the sentence. */
const LISTED: PartName[] = [
  'mounted',
  'gears',
  'arm',
  'dial',
  'cross_slide',
  'compound',
  'speeds',
  'spindle',
  'post',
  'stop',
  'readout',
];

const NAMES: Record<PartName, string> = {
  leadscrew: 'Leadscrew',
  stud: 'First gear',
  gearbox: 'Gearbox',
  tumbler: 'Tumbler',
  gears: 'In the drawer',
  mounted: 'On it now',
  arm: 'Arm',
  dial: '{Dial}',
  cross_slide: 'Cross-slide',
  compound: '{Compound}',
  speeds: 'Speeds',
  spindle: 'Spindle',
  post: 'Tool post',
  stop: 'Carriage stop',
  readout: 'Digital readout',
};
