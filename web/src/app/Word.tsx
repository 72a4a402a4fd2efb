import { Popover } from '@mantine/core';
import { useId, useState } from 'react';
import { type Drawing, inWords, type Job } from '../api/client';
import { type Patch, useChange } from '../api/hooks';
import { readLength } from '../api/length';
import { Seen } from '../drawing/Outline';
import { useDraft } from '../parts/draft';
import { NumberPad } from '../parts/NumberPad';
import { useUnit } from '../parts/unit';
import { text } from './voice';

/** A value ready to be set by one touch. */
export interface Ready {
  says: string;
  patch: Patch;
}

/** How a word is changed: one of some choices, or something typed. */
export type Edit =
  | {
      kind: 'choice';
      choices: { says: string; under?: string; seen?: Drawing | undefined; patch: Patch; chosen?: boolean }[];
    }
  | { kind: 'text'; value: string; patch: (written: string) => Patch }
  | { kind: 'length'; value: string; patch: (mm: number | null) => Patch; clear?: string; owned?: Ready[] }
  | { kind: 'number'; value: string; patch: (value: number | null) => Patch; clear?: string; usual?: Ready[] };

interface WordProps {
  job: Job;
  /** What the word is about, for the editor's head and for those who cannot see the sentence. */
  about: string;
  /** The word itself. */
  children: string;
  edit: Edit;
  /** Set by hand: brass. */
  set?: boolean;
  /** May be told after the first pass too: it moves no depth. */
  later?: boolean;
}

/** An editor is no higher than the room it has; what does not fit scrolls inside it. */
const fill = ({ availableHeight, elements }: { availableHeight: number; elements: { floating: HTMLElement } }) =>
  elements.floating.style.setProperty('--room', `${availableHeight}px`);

/** A word of the sentence that opens a small editor in place. */
export function Word({ job, about, children, edit, set, later }: WordProps) {
  const [open, setOpen] = useState(false);
  const frozen = job.frozen && !later;
  return (
    <Popover
      opened={open}
      onChange={setOpen}
      position="bottom-start"
      trapFocus
      returnFocus
      withinPortal
      transitionProps={{ duration: 0 }}
      middlewares={{ flip: true, shift: true, size: { apply: fill } }}
    >
      <Popover.Target>
        <button
          type="button"
          className={`word${set ? ' set' : ''}${frozen ? ' frozen' : ''}`}
          aria-label={`${about}: ${children}`}
          onClick={() => setOpen(!open)}
        >
          {children}
        </button>
      </Popover.Target>
      <Popover.Dropdown>
        {frozen ? (
          // A word that cannot be changed says why.
          <p className="editor" tabIndex={-1} data-autofocus>
            {text('frame-frozen-first-pass')}
          </p>
        ) : (
          <Editor job={job} about={about} edit={edit} close={() => setOpen(false)} />
        )}
      </Popover.Dropdown>
    </Popover>
  );
}

/** What a word changes, whatever it is called in the words of the shop: so a draft of it is found again. */
const fieldOf = (edit: Edit) =>
  edit.kind === 'choice' ? '' : JSON.stringify(edit.kind === 'text' ? edit.patch('') : edit.patch(null));

/** More choices than this stand in columns. */
const MANY = 10;

function Editor({ job, about, edit, close }: { job: Job; about: string; edit: Edit; close: () => void }) {
  const change = useChange(job);
  const unit = useUnit();
  const id = useId();
  const [written, setText, told] = useDraft(`word:${fieldOf(edit)}`, edit.kind === 'choice' ? '' : edit.value);
  const [fault, setFault] = useState<string | null>(null);
  const send = (request: Patch) =>
    change.mutate(
      { request },
      {
        onSuccess: () => {
          told();
          close();
        },
        onError: e => setFault(inWords(e)),
      },
    );

  if (edit.kind === 'choice') {
    const pictured = edit.choices.some(c => c.seen);
    // Many short ones stand side by side.
    const many = !pictured && edit.choices.length > MANY;
    return (
      <div className={pictured || many ? 'editor wide' : 'editor'} role="group" aria-label={about}>
        <div className={pictured ? 'choices pictured' : many ? 'choices many' : 'choices'}>
          {edit.choices.map((c, i) => (
            <button
              type="button"
              key={c.says}
              className="choice"
              aria-pressed={Boolean(c.chosen)}
              data-autofocus={(c.chosen ?? i === 0) ? true : undefined}
              onClick={() => send(c.patch)}
            >
              {c.seen && <Seen drawing={c.seen} />}
              {c.says}
              {c.under && <small>{c.under}</small>}
            </button>
          ))}
        </div>
        {fault && (
          <p className="fault" role="alert">
            {fault}
          </p>
        )}
      </div>
    );
  }

  const enter = async () => {
    setFault(null);
    if (edit.kind === 'text') return send(edit.patch(written));
    if (edit.kind === 'number') {
      const value = Number(written.replace(',', '.'));
      return written.trim() === '' || Number.isNaN(value)
        ? setFault(text('frame-number-write-12', { text: written }))
        : send(edit.patch(value));
    }
    const read = await readLength(written, unit);
    return read.fault === undefined ? send(edit.patch(read.mm)) : setFault(read.fault);
  };
  const clear = edit.kind === 'text' ? undefined : edit.clear;
  const ready = edit.kind === 'length' ? edit.owned : edit.kind === 'number' ? edit.usual : undefined;
  return (
    <form
      className="editor"
      onSubmit={e => {
        e.preventDefault();
        void enter();
      }}
    >
      <label htmlFor={id}>
        {about}
        {edit.kind === 'length' ? ` ${text('page-unless-you-write-another', { unit })}` : ''}
      </label>
      <input
        id={id}
        data-autofocus
        autoComplete="off"
        inputMode={edit.kind === 'text' ? 'text' : 'decimal'}
        value={written}
        onFocus={e => e.currentTarget.select()}
        onChange={e => setText(e.currentTarget.value)}
        aria-invalid={fault !== null}
        aria-describedby={fault ? `${id}-fault` : undefined}
      />
      {fault && (
        <p className="fault" role="alert" id={`${id}-fault`}>
          {fault}
        </p>
      )}
      {ready && ready.length > 0 && (
        <div
          className="choices"
          role="group"
          aria-label={edit.kind === 'length' ? text('frame-from-the-drawer') : text('frame-usual')}
        >
          {ready.map(o => (
            <button key={o.says} type="button" className="choice" onClick={() => send(o.patch)}>
              {o.says}
            </button>
          ))}
        </div>
      )}
      {edit.kind !== 'text' && <NumberPad value={written} onChange={setText} />}
      <div className="row">
        <button type="submit" className="act">
          {text('page-set')}
        </button>
        {clear && edit.kind !== 'text' && (
          <button type="button" className="act plain" onClick={() => send(edit.patch(null))}>
            {clear}
          </button>
        )}
      </div>
    </form>
  );
}
