import { useId, useState } from 'react';
import { inWords } from '../api/client';
import { Leaf } from '../parts/Leaf';
import type { PartProps } from './PartLeaf';
import { text } from '../app/voice';

/** What the lathe is called. */
export function NameLeaf({ open, view, change, onClose }: PartProps & { open: boolean }) {
  return (
    <Leaf title={text('shop-what-it-is-called')} open={open} onClose={onClose}>
      {open && (
        <NameForm
          now={view.profile.name ?? ''}
          act={text('page-set')}
          fault={change.isError ? inWords(change.error) : null}
          onName={name => change.mutate({ says: text('shop-the-name'), patch: { name } }, { onSuccess: onClose })}
        />
      )}
    </Leaf>
  );
}

/** A name typed, for a lathe new or known. */
export function NameForm({
  now,
  act,
  fault,
  onName,
}: {
  now: string;
  act: string;
  fault: string | null;
  onName: (name: string) => void;
}) {
  const id = useId();
  const [name, setName] = useState(now);
  return (
    <form
      className="editor"
      onSubmit={e => {
        e.preventDefault();
        onName(name.trim());
      }}
    >
      <label htmlFor={id}>{text('shop-name')}</label>
      <input
        id={id}
        data-autofocus
        autoComplete="off"
        value={name}
        onChange={e => setName(e.currentTarget.value)}
        aria-invalid={fault !== null}
      />
      {fault && (
        <p className="fault" role="alert">
          {fault}
        </p>
      )}
      <button type="submit" className="act" disabled={!name.trim()}>
        {act}
      </button>
    </form>
  );
}
