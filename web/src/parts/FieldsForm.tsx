import { useId, useMemo, useState } from 'react';
import { faultsOf, inWords } from '../api/client';
import { readLength } from '../api/length';
import { useDraft } from './draft';
import { at, type Field, put } from './fields';
import { typed } from './text';
import { useUnit } from './unit';
import { text } from '../app/voice';

interface FieldsFormProps {
  how?: string;
  fields: Field[];
  /** The thing as it is. */
  value: object;
  /** Where it stands in what is sent, as a pointer: `/bit`. */
  under?: string;
  /** Parts of it that are not there at all once nothing of them is told. */
  wholes?: string[];
  busy: boolean;
  /** Many fields, side by side where there is room. */
  columns?: boolean;
  act?: string;
  /** Sends what was changed; null takes a field away. */
  onSend: (patch: Record<string, unknown>, onError: (error: unknown) => void) => void;
}

/** How a value stands in its field before it is changed. */
function shown(field: Field, value: unknown, unit: 'mm' | 'in'): string {
  if (value === undefined || value === null) return '';
  if (field.kind === 'length') return typed(value as number, unit);
  if (field.kind === 'speeds' && !Array.isArray(value)) {
    const { from, to } = value as { from: number; to: number };
    return text('parts-to', { from, to });
  }
  return Array.isArray(value) ? value.join(', ') : String(value);
}

const plain = (written: string) => Number(written.trim().replace(',', '.'));

/** What was typed, as the profile has it; a fault says what would read. */
async function read(
  field: Field,
  written: string,
  unit: 'mm' | 'in',
): Promise<{ value: unknown } | { fault: string }> {
  if (written.trim() === '') return { value: null };
  const list = () =>
    written
      .split(/[\s,;]+/)
      .filter(Boolean)
      .map(Number);
  switch (field.kind) {
    case 'length': {
      const length = await readLength(written, unit);
      return length.fault === undefined ? { value: length.mm } : { fault: length.fault };
    }
    case 'number': {
      const value = plain(written);
      return Number.isNaN(value) ? { fault: text('parts-number-write-12', { text: written }) } : { value };
    }
    case 'speeds': {
      const between = /^\s*(\d+(?:\.\d+)?)\s*(?:to|-|–)\s*(\d+(?:\.\d+)?)\s*$/.exec(written);
      if (between) return { value: { from: Number(between[1]), to: Number(between[2]) } };
      return list().some(Number.isNaN) ? { fault: text('parts-speeds-whole-numbers') } : { value: list() };
    }
    case 'teeth':
      return list().some(t => !Number.isInteger(t)) ? { fault: text('parts-tooth-counts-whole') } : { value: list() };
    case 'ratio':
      return /^\s*\d+\s*[/:]\s*\d+\s*$/.test(written)
        ? { value: written.replace(':', '/').replaceAll(' ', '') }
        : { fault: text('parts-ratio-written-1') };
    default:
      return { value: written };
  }
}

/** More choices than this take the whole width. */
const MANY = 4;

/** A thing told field by field; a fault stands by its field and nothing typed is lost. */
export function FieldsForm({
  how,
  fields,
  value,
  under = '',
  wholes = [],
  busy,
  columns,
  act = text('page-set'),
  onSend,
}: FieldsFormProps) {
  const unit = useUnit();
  const id = useId();
  const typedIn = fields.filter(f => f.kind !== 'choice');
  const stands = JSON.stringify(typedIn.map(f => [f.at, shown(f, at(value, f.at), unit)]));
  const from = useMemo(() => Object.fromEntries(JSON.parse(stands) as [string, string][]), [stands]);
  const [texts, setTexts, told] = useDraft<Record<string, string>>(`${under}:${fields[0]?.at}`, from);
  const [choices, setChoices] = useState<Record<string, unknown>>({});
  const [wrong, setWrong] = useState<Record<string, string>>({});
  const send = async () => {
    const patch: Record<string, unknown> = {};
    const faults: Record<string, string> = {};
    for (const field of fields) {
      if (field.kind === 'choice') {
        if (field.at in choices) put(patch, value, field.at, choices[field.at]);
        continue;
      }
      const written = texts[field.at] ?? '';
      if (written === shown(field, at(value, field.at), unit)) continue;
      const told = await read(field, written, unit);
      if ('fault' in told) faults[field.at] = told.fault;
      else put(patch, value, field.at, told.value);
    }
    for (const name of wholes) {
      const asked = fields.filter(f => f.at.startsWith(`${name}.`));
      if (
        asked.length &&
        asked.every(f =>
          f.kind === 'choice'
            ? (f.at in choices ? choices[f.at] : at(value, f.at)) === undefined
            : !(texts[f.at] ?? '').trim(),
        )
      )
        patch[name] = null;
    }
    setWrong(faults);
    if (Object.keys(faults).length > 0) return;
    told();
    onSend(patch, error => {
      // Not taken, it is a draft again.
      setTexts(texts);
      const list = faultsOf(error);
      const placed: Record<string, string> = {};
      for (const fault of list) {
        const place = fault.pointer.slice(under.length + 1).replaceAll('/', '.');
        const field =
          fields.find(f => place === f.at || place.startsWith(`${f.at}.`)) ??
          fields.find(f => f.at.startsWith(place));
        placed[field?.at ?? ''] = fault.detail;
      }
      setWrong(list.length ? placed : { '': inWords(error) });
    });
  };
  return (
    <form
      className={columns ? 'part-form columns' : 'part-form'}
      onSubmit={e => {
        e.preventDefault();
        void send();
      }}
    >
      {how && <p className="how">{how}</p>}
      {fields.map((field, i) =>
        field.kind === 'choice' ? (
          <div
            key={field.at}
            role="group"
            aria-labelledby={`${id}-${i}`}
            className={field.choices.length > MANY ? 'part-field wide' : 'part-field'}
          >
            <span id={`${id}-${i}`}>
              {field.says}
              {field.how && <small> ({field.how})</small>}
            </span>
            <div className="row">
              {field.choices.map(c => {
                const now = field.at in choices ? choices[field.at] : at(value, field.at);
                return (
                  <button
                    key={c.says}
                    type="button"
                    className="choice"
                    aria-pressed={JSON.stringify(now ?? null) === JSON.stringify(c.value)}
                    onClick={() => setChoices({ ...choices, [field.at]: c.value })}
                  >
                    {c.says}
                  </button>
                );
              })}
            </div>
            {wrong[field.at] && (
              <p className="fault" role="alert">
                {wrong[field.at]}
              </p>
            )}
          </div>
        ) : (
          <label key={field.at} className="part-field" htmlFor={`${id}-${i}`}>
            <span>
              {field.says}
              {field.kind === 'length' && <small> {text('page-unless-you-write-another', { unit })}</small>}
              {field.how && <small> ({field.how})</small>}
            </span>
            <input
              id={`${id}-${i}`}
              data-autofocus={i === 0 || undefined}
              autoComplete="off"
              inputMode={field.kind === 'number' || field.kind === 'length' ? 'decimal' : 'text'}
              value={texts[field.at] ?? ''}
              onChange={e => setTexts({ ...texts, [field.at]: e.currentTarget.value })}
              aria-invalid={field.at in wrong}
              aria-describedby={wrong[field.at] ? `${id}-${i}-fault` : undefined}
            />
            {wrong[field.at] && (
              <p className="fault" role="alert" id={`${id}-${i}-fault`}>
                {wrong[field.at]}
              </p>
            )}
          </label>
        ),
      )}
      {wrong[''] && (
        <p className="fault" role="alert">
          {wrong['']}
        </p>
      )}
      <div className="row">
        <button type="submit" className="act" disabled={busy}>
          {act}
        </button>
      </div>
    </form>
  );
}
