import { Link, useNavigate } from '@tanstack/react-router';
import { useEffect, useId, useRef, useState } from 'react';
import { inWords, type LatheView } from '../api/client';
import { useSettings } from '../app/Settings';
import { text } from '../app/voice';
import { NameForm } from './NameLeaf';
import type { useLatheChange } from './hooks';

type Question = NonNullable<LatheView['said']>['asks'][number];
export type Ask = Question['ask'];
type Change = ReturnType<typeof useLatheChange>['change'];

/** What stands in the address once all is asked. */
export const ALL_ASKED = 'all';

/** The question of a name among those asked of a lathe; none where it is not asked. */
export function askedOf(view: LatheView, ask: string) {
  const asks = view.said?.asks ?? [];
  const at = asks.findIndex(q => q.ask === ask);
  return { asks, at, question: asks[at] };
}

/** What a lathe is asked, one thing at a time: chosen by a touch or written; what passing one by costs is said. */
export function Asked({ view, ask, change }: { view: LatheView; ask: string; change: Change }) {
  const { asks, at, question } = askedOf(view, ask);
  const navigate = useNavigate();
  const goTo = (next: string | undefined) =>
    void navigate({ to: '/shop/lathes/$id', params: { id: view.id }, search: { ask: next } });
  const after = (all: Question[], name: string) => all[all.findIndex(q => q.ask === name) + 1]?.ask ?? ALL_ASKED;
  if (!question) return <AllAsked view={view} change={change} />;
  const tell = (says: string) =>
    change.mutate(
      { says: question.says, answer: { ask: question.ask, says } },
      { onSuccess: newer => goTo(after(newer.said?.asks ?? [], question.ask)) },
    );
  return (
    <section className="asked" aria-labelledby="asked-head">
      <p className="how">{text('shop-question-of', { n: at + 1, of: asks.length })}</p>
      <One key={question.ask} question={question} busy={change.isPending} tell={tell} />
      {change.isError && (
        <p className="fault" role="alert">
          {inWords(change.error)}
        </p>
      )}
      <p className="how">{question.told ? text('shop-it-is-answered') : question.untold}</p>
      <div className="row">
        <button type="button" className="act plain" onClick={() => goTo(after(asks, question.ask))}>
          {question.told ? text('shop-go-on') : text('shop-pass-it-by')}
        </button>
        {at > 0 && (
          <button type="button" className="act plain" onClick={() => goTo(asks[at - 1]?.ask)}>
            {text('shop-one-back')}
          </button>
        )}
        <button type="button" className="act plain" onClick={() => goTo(ALL_ASKED)}>
          {text('shop-leave-the-rest')}
        </button>
      </div>
    </section>
  );
}

/** One question with its answers. */
function One({ question, busy, tell }: { question: Question; busy: boolean; tell: (says: string) => void }) {
  const id = useId();
  const [written, setWritten] = useState('');
  const head = useRef<HTMLHeadingElement>(null);
  useEffect(() => {
    // Read aloud, and the next key goes on from here.
    head.current?.focus();
  }, []);
  const props = {
    id,
    value: written,
    autoComplete: 'off',
    'aria-describedby': `${id}-how`,
    onChange: (e: { currentTarget: { value: string } }) => setWritten(e.currentTarget.value),
  };
  return (
    <>
      <h2 id="asked-head" ref={head} tabIndex={-1}>
        {question.says}
      </h2>
      {question.how && <p className="how">{question.how}</p>}
      {[question.choices, question.common].map(
        (list, i) =>
          list.length > 0 && (
            <div key={i} className={`answers${i === 1 ? ' figures' : ''}`}>
              {list.map(c => (
                <button
                  key={c.value}
                  type="button"
                  className="choice"
                  aria-pressed={c.chosen}
                  disabled={busy}
                  onClick={() => tell(c.value)}
                >
                  <b>{c.says}</b>
                  {c.under && <span>{c.under}</span>}
                </button>
              ))}
            </div>
          ),
      )}
      {question.written && (
        <form
          className="part-form"
          onSubmit={e => {
            e.preventDefault();
            tell(written);
          }}
        >
          <label htmlFor={id} id={`${id}-how`}>
            {question.written}
          </label>
          {question.lines ? <textarea {...props} rows={6} /> : <input {...props} />}
          <div className="row">
            <button type="submit" className="act" disabled={busy || written.trim() === ''}>
              {text('page-set')}
            </button>
          </div>
        </form>
      )}
    </>
  );
}

/** The end of the questions: what it is called, what is still assumed, and on to the first card. */
function AllAsked({ view, change }: { view: LatheView; change: Change }) {
  const { setLathe } = useSettings();
  const assumed = view.said?.assumed ?? [];
  return (
    <section className="asked" aria-labelledby="asked-head">
      <h2 id="asked-head">{text('shop-all-asked')}</h2>
      <div className="row">
        <Link to="/" className="act as-link" onClick={() => setLathe(view.id)}>
          {text('shop-to-the-first-card')}
        </Link>
        <Link to="/shop/lathes/$id" params={{ id: view.id }} className="act plain as-link">
          {text('shop-see-it-whole')}
        </Link>
      </div>
      <NameForm
        key={view.profile.name}
        now={view.profile.name ?? ''}
        act={text('page-set')}
        fault={change.isError ? inWords(change.error) : null}
        onName={name => change.mutate({ says: text('shop-the-name'), patch: { name } })}
      />
      {assumed.length > 0 && (
        <>
          <h3>{text('shop-still-assumed')}</h3>
          <ul>
            {assumed.map(a => (
              <li key={a.pointer + a.text}>{a.text}</li>
            ))}
          </ul>
        </>
      )}
    </section>
  );
}
