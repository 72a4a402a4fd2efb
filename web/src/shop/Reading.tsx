import jsonMap from 'json-source-map';
import { useId, useRef } from 'react';
import { faultsOf } from '../api/client';
import { useDraft } from '../parts/draft';
import type { PartProps } from './PartLeaf';
import { text } from '../app/voice';

export interface Found {
  says: string;
  line?: number | undefined;
}

/** The line of each fault of a sheet: its pointer begins with it. */
const ofSheet = (error: unknown): Found[] =>
  faultsOf(error).map(f => ({ says: f.detail, line: Number(f.pointer.split('/')[1]) || undefined }));

/** JSON read with its places; what does not read is told by its line. */
export function readJson(
  written: string,
): { value: unknown; lineOf: (pointer: string) => number | undefined } | Found {
  try {
    const { data, pointers } = jsonMap.parse(written);
    return {
      value: data,
      // A field that is missing is told at the part it is missing from.
      lineOf: pointer => {
        for (let place = pointer; ; place = place.slice(0, place.lastIndexOf('/'))) {
          const found = pointers[place];
          if (found) return (found.key ?? found.value).line + 1;
          if (!place) return undefined;
        }
      },
    };
  } catch (error) {
    const at = Number(/position (\d+)/.exec(String(error))?.[1]);
    const line = Number.isNaN(at) ? written.split('\n').length : written.slice(0, at).split('\n').length;
    return { says: text('shop-does-read-lathe'), line };
  }
}

/** A file or a text read in; its faults are told by their lines, and the text stays to be mended. */
export function Reading({
  how,
  accept,
  name,
  act,
  faults,
  busy,
  onRead,
  onText,
}: {
  how: string;
  accept: string;
  /** Which file it is, for its draft. */
  name: string;
  act: string;
  faults: Found[];
  busy: boolean;
  /** What is read, and what is called once it was taken in: until then the draft is kept. */
  onRead: (written: string, told: () => void) => void;
  onText: () => void;
}) {
  const id = useId();
  const area = useRef<HTMLTextAreaElement>(null);
  const [written, setText, told] = useDraft(`file:${name}`, '');
  const take = (next: string) => {
    setText(next);
    onText();
  };
  const show = (line: number) => {
    const box = area.current;
    if (!box) return;
    const lines = written.split('\n');
    const from = lines.slice(0, line - 1).reduce((sum, l) => sum + l.length + 1, 0);
    box.focus();
    box.setSelectionRange(from, from + (lines[line - 1]?.length ?? 0));
    box.scrollTop = ((line - 3) / lines.length) * box.scrollHeight;
  };
  return (
    <div className="reading">
      <p className="how">{how}</p>
      <label className="act plain as-link" htmlFor={`${id}-file`}>
        {text('shop-open-a-file')}
      </label>
      <input
        id={`${id}-file`}
        className="file"
        type="file"
        accept={accept}
        onChange={e => {
          const file = e.currentTarget.files?.[0];
          if (file) void file.text().then(take);
          e.currentTarget.value = '';
        }}
      />
      <label htmlFor={`${id}-text`}>{text('shop-or-paste-it-here')}</label>
      <textarea
        id={`${id}-text`}
        ref={area}
        rows={10}
        spellCheck={false}
        value={written}
        onChange={e => take(e.currentTarget.value)}
        aria-invalid={faults.length > 0}
      />
      {faults.length > 0 && (
        <div role="alert" className="faults">
          <p className="fault">
            {text('shop-nothing-read-mend', {
              faults: faults.length === 1 ? text('shop-this') : text('shop-these', { faults: faults.length }),
            })}
          </p>
          <ul>
            {faults.map(f => (
              <li key={`${f.line}${f.says}`}>
                {f.line !== undefined && (
                  <button type="button" className="word" onClick={() => show(f.line ?? 1)}>
                    {text('shop-line', { line: f.line })}
                  </button>
                )}{' '}
                {f.says}
              </li>
            ))}
          </ul>
        </div>
      )}
      <button type="button" className="act" disabled={busy || !written.trim()} onClick={() => onRead(written, told)}>
        {act}
      </button>
    </div>
  );
}

/** A part of the lathe read in from a sheet. */
export function SheetReading({
  sheet,
  says,
  how,
  act,
  change,
  onClose,
}: Pick<PartProps, 'change' | 'onClose'> & { sheet: 'gears' | 'plate'; says: string; how: string; act: string }) {
  return (
    <Reading
      how={how}
      accept=".csv,text/csv"
      name={sheet}
      act={act}
      faults={ofSheet(change.error)}
      busy={change.isPending}
      onText={change.reset}
      onRead={(written, told) =>
        change.mutate(
          { says, sheet, text: written },
          {
            onSuccess: () => {
              told();
              onClose();
            },
          },
        )
      }
    />
  );
}
