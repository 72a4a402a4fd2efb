import { Link, useNavigate, useParams, useSearch } from '@tanstack/react-router';
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
import { ALL_ASKED, Asked, askedOf } from './Asked';
import { GearsLeaf } from './GearsLeaf';
import { useAddLathe, useLatheChange, useLatheView, usePutAway } from './hooks';
import { NameLeaf } from './NameLeaf';
import { PartLeaf } from './PartLeaf';
import { PlateLeaf } from './PlateLeaf';
import { said, spoken, text } from '../app/voice';

/** A lathe as its owner sees it: drawn, and in sentences whose words are touched to tell a part. */
export function LathePage() {
  const id = useParams({ strict: false }).id ?? '';
  const { ask } = useSearch({ strict: false });
  const view = useLatheView(id);
  const settings = useSettings();
  const unit = settings.unit ?? (view.data?.profile.leadscrew?.pitch_mm ? 'mm' : 'in');
  const name = view.data?.said?.name ?? view.data?.profile.name ?? '';
  useEffect(() => {
    document.title = name ? text('shop-lathe-of-the-shop', { name }) : text('shop-the-shop');
  }, [name]);
  return (
    <UnitContext value={unit}>
      <div className="shell">
        <Head unit={unit} onUnit={() => settings.setUnit(unit === 'mm' ? 'in' : 'mm')}>
          <h1 className="sentence">
            {said('shop-the', {
              the_shop: (
                <Link to="/shop" className="word">
                  {text('shop-the-shop')}
                </Link>
              ),
              name,
            })}{' '}
            <Link to="/shop/lathes/$id/instruments" params={{ id }} className="word">
              {text('instruments-page')}
            </Link>
          </h1>
        </Head>
        <main className="station-main">
          {view.isError && <p className="fault">{inWords(view.error)}</p>}
          {view.data && (ask ? <BeingAsked view={view.data} ask={ask} /> : <Told view={view.data} unit={unit} />)}
        </main>
        <Slash />
      </div>
    </UnitContext>
  );
}

/** Takes back the last change of this page. */
function Undo({ of }: { of: ReturnType<typeof useLatheChange>['undo'] }) {
  return (
    of && (
      <div className="row">
        <button type="button" className="act plain" onClick={of.go}>
          {text('shop-undo', { says: of.says })}
        </button>
      </div>
    )
  );
}

/** The lathe drawn, and what is asked of it beside; a part touched is asked about. */
function BeingAsked({ view, ask }: { view: LatheView; ask: string }) {
  const { change, undo } = useLatheChange(view);
  const { asks, question } = askedOf(view, ask);
  const navigate = useNavigate();
  const about = (part: string) => {
    const asked = asks.find(q => q.part === part);
    if (asked) void navigate({ to: '/shop/lathes/$id', params: { id: view.id }, search: { ask: asked.ask } });
  };
  useKeys(undo ? { undo: undo.go } : {});
  return (
    <div className="station lathe-told being-asked">
      <div className="drawn">
        <div className="drawing">
          {view.said && (
            <Outline drawing={view.said.drawing} onPart={about} {...(question ? { asked: question.part } : {})} />
          )}
        </div>
      </div>
      <aside>
        <Asked view={view} ask={ask} change={change} />
        <Undo of={undo} />
      </aside>
    </div>
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
  const telling = view.said;
  const part = (name: PartName) => telling?.parts.find(p => p.part === name);
  const word = (name: PartName): ReactNode => {
    const p = part(name);
    if (!p) return null;
    const written = (unit === 'in' ? p.inch : undefined) ?? p.says;
    return (
      <button
        type="button"
        className={`word${p.told ? ' set' : ''}`}
        data-part={name}
        onClick={() => setOpen(name)}
        aria-label={text('shop-tell-it', {
          part: NAMES()[name],
          says: written,
          came: p.came ? text('shop-it-came', { came: p.came }) : '',
        })}
      >
        {written}
        {p.came && <small> {text('shop-came-so', { came: p.came })}</small>}
      </button>
    );
  };
  const untold = telling?.parts.filter(p => p.untold) ?? [];
  const props = { view, change, onClose: close };
  return (
    <div className="station lathe-told">
      <div className="drawn">
        {telling && (
          <p className="sentence own">
            {said('shop-leadscrew-first-gear', {
              leadscrew: word('leadscrew'),
              stud: word('stud'),
              gearbox: word('gearbox'),
              tumbler: word('tumbler'),
            })}
          </p>
        )}
        <div className="drawing">
          {telling && <Outline drawing={telling.drawing} onPart={p => setOpen(p as PartName)} />}
        </div>
      </div>
      <aside>
        <Undo of={undo} />
        {telling?.assumed
          .filter(a => a.pointer.startsWith('/plate'))
          .map(a => (
            <p key={a.text} className="fault">
              {a.text}
            </p>
          ))}
        {telling && (
          <dl className="parts-said">
            {LISTED.map(name => (
              <div key={name}>
                <dt>{NAMES()[name]}</dt>
                <dd>{word(name)}</dd>
              </div>
            ))}
          </dl>
        )}
        {untold.length > 0 && (
          <section className="watch" aria-label={text('shop-not-told-yet')}>
            <ul>
              {untold.map(p => (
                <li key={p.part} className="note">
                  <span aria-hidden="true">●</span>
                  <p>
                    <b>{NAMES()[p.part]}.</b> {p.untold}
                  </p>
                </li>
              ))}
            </ul>
          </section>
        )}
        <p className="how">
          {view.jobs.length ? text('shop-on-it', { jobs: view.jobs.join(', ') }) : text('shop-job-stands')}
        </p>
        <div className="row lathe-acts">
          <Link
            to="/shop/lathes/$id"
            params={{ id: view.id }}
            search={{ ask: telling?.asks.find(q => !q.told)?.ask ?? ALL_ASKED }}
            className="act plain as-link"
          >
            {text('shop-questions')}
          </Link>
          <button type="button" className="act plain" onClick={() => setOpen('name')}>
            {text('shop-rename')}
          </button>
          <button type="button" className="act plain" onClick={() => setOpen('chart')}>
            {text('page-pitch-chart')}
          </button>
          <button type="button" className="act plain" onClick={() => setOpen('buy')}>
            {text('page-make-or-buy')}
          </button>
          <button
            type="button"
            className="act plain"
            disabled={copy.isPending}
            onClick={() => copy.mutate({ copy_of: view.id })}
          >
            {text('shop-duplicate')}
          </button>
          <a
            className="act plain as-link"
            href={`/api/v1/lathes/${encodeURIComponent(view.id)}`}
            download={`${view.id}.json`}
          >
            {text('shop-export')}
          </a>
          {view.away ? (
            <button type="button" className="act" onClick={() => away.mutate({ id: view.id, back: true })}>
              {text('page-bring-it-back')}
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
              {text('page-delete')}
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
      <ChartLeaf lathe={view.id} name={telling?.name ?? ''} open={open === 'chart'} onClose={close} />
      <BuyLeaf lathe={view.id} name={telling?.name ?? ''} open={open === 'buy'} onClose={close} />
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

const NAMES = spoken<Record<PartName, string>>(() => ({
  leadscrew: text('shop-leadscrew'),
  stud: text('shop-first-gear'),
  gearbox: text('shop-part-gearbox'),
  tumbler: text('shop-tumbler'),
  gears: text('page-in-the-drawer'),
  mounted: text('shop-on-it-now'),
  arm: text('shop-arm'),
  dial: text('shop-dial'),
  cross_slide: text('shop-cross-slide'),
  compound: text('page-compound'),
  speeds: text('shop-speeds'),
  spindle: text('shop-spindle'),
  post: text('shop-tool-post'),
  stop: text('shop-carriage-stop'),
  readout: text('shop-digital-readout'),
}));
