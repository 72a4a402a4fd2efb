import { useMutation } from '@tanstack/react-query';
import { useState } from 'react';
import { api, faultsOf, inWords, type LatheProfile, type PlateRead, type PlateRequest, unwrap } from '../api/client';
import { Leaf } from '../parts/Leaf';
import { readTrain } from '../stations/gears/train';
import { Grid, type GridText } from './Grid';
import type { PartProps } from './PartLeaf';
import { SheetReading } from './Reading';
import { spoken, text } from '../app/voice';

type Kind = 'in' | 'mm' | 'levers' | 'ratios';
const KINDS = spoken<[Kind, string][]>(() => [
  ['in', text('page-threads-per-inch')],
  ['mm', text('shop-pitches-in-mm')],
  ['levers', text('shop-two-levers-that-multiply')],
  ['ratios', text('shop-ratios-one-by-one')],
]);

interface Plate extends GridText {
  kind: Kind;
  /** Gears the whole plate assumes, as drivers / driven. */
  gears: string;
  rowRatios: string[];
  columnRatios: string[];
}

const train = (gears: { drivers?: number[]; driven?: number[] } | null | undefined) =>
  gears?.drivers?.length ? `${gears.drivers.join(' ')} / ${(gears.driven ?? []).join(' ')}` : '';

/** What was typed; one that does not read is sent as it is, for the answer to name it. */
const gearsOf = (written: string) => {
  const train = readTrain(written);
  return train === undefined ? { drivers: [], driven: [] } : train;
};

function begin(profile: LatheProfile): Plate {
  const { plate } = profile;
  const levers = Boolean(plate?.row_ratios?.length);
  if (plate) {
    return {
      kind: levers ? 'levers' : plate.unit === 'mm' ? 'mm' : 'in',
      rows: plate.rows ?? [],
      columns: plate.columns ?? [],
      cells: (plate.cells ?? []).map(row => row.map(c => (c === null ? '' : String(c)))),
      gears: train(plate.gears),
      rowGears: (plate.rows ?? []).map((_, i) => train(plate.row_gears?.[i])),
      rowRatios: (plate.row_ratios ?? []).map(String),
      columnRatios: (plate.column_ratios ?? []).map(String),
    };
  }
  const ratios = profile.gearbox ?? [];
  const fresh = { gears: '', rowRatios: ['1/1', '1/2'], columnRatios: ['1/1'], rowGears: [] };
  if (ratios.length > 1)
    return {
      ...fresh,
      kind: 'ratios',
      rows: ratios.map(p => p.name),
      columns: [''],
      cells: ratios.map(p => [String(p.ratio)]),
    };
  return { ...fresh, kind: 'in', rows: ['A', 'B', 'C'], columns: ['1', '2', '3', '4'], cells: [] };
}

/** The change that keeps the plate as it is typed: every field of it, so that nothing of an older one stays. */
function asked(p: Plate): { plate: PlateRequest | null; gearbox: { name: string; ratio: string }[] | null } {
  const cell = (i: number, j: number) => (p.cells[i]?.[j] ?? '').trim().replace(',', '.');
  if (p.kind === 'ratios') {
    const list = p.rows.map((name, i) => ({ name: name.trim(), ratio: cell(i, 0) })).filter(r => r.name || r.ratio);
    return { plate: null, gearbox: list.length ? list : null };
  }
  const levers = p.kind === 'levers';
  const plate = {
    unit: levers ? null : p.kind,
    rows: p.rows,
    columns: p.columns,
    cells: levers ? null : p.rows.map((_, i) => p.columns.map((__, j) => cell(i, j) || null)),
    gears: levers ? null : gearsOf(p.gears),
    row_gears: levers || !p.rowGears.some(g => g.trim()) ? null : p.rows.map((_, i) => gearsOf(p.rowGears[i] ?? '')),
    row_ratios: levers ? p.rows.map((_, i) => p.rowRatios[i] ?? '') : null,
    column_ratios: levers ? p.columns.map((_, i) => p.columnRatios[i] ?? '') : null,
  };
  return { plate: plate as unknown as PlateRequest, gearbox: null };
}

/** The gearbox, told from its plate; a cell that does not fit the rest is flagged where it stands. */
export function PlateLeaf({ open, ...props }: PartProps & { open: boolean }) {
  return (
    <Leaf title={text('shop-gearbox-plate')} open={open} onClose={props.onClose} wide>
      {open && <Telling {...props} />}
    </Leaf>
  );
}

function Telling({ view, change, onClose }: PartProps) {
  const [plate, setPlate] = useState(() => begin(view.profile));
  const [sheet, setSheet] = useState(false);
  const [wrong, setWrong] = useState<Record<string, string>>({});
  const { kind } = plate;
  const cells = kind === 'in' || kind === 'mm';
  const faulty = (error: unknown, under: string) => {
    const faults = faultsOf(error);
    setWrong(
      faults.length
        ? Object.fromEntries(faults.map(f => [f.pointer.replace(under, ''), f.detail]))
        : { '': inWords(error) },
    );
  };
  const look = useMutation({
    mutationFn: async () => {
      const body = Object.fromEntries(Object.entries(asked(plate).plate ?? {}).filter(([, v]) => v !== null));
      return unwrap(
        await api.POST('/api/v1/lathes/{id}/plate', { params: { path: { id: view.id } }, body: body as never }),
      );
    },
    onSuccess: () => setWrong({}),
    onError: e => faulty(e, ''),
  });
  const read: PlateRead | undefined = look.data;
  const edit = (part: Partial<Plate>) => {
    setPlate({ ...plate, ...part });
    look.reset();
    setWrong({});
  };
  const keep = () =>
    change.mutate(
      { says: text('shop-the-gearbox'), patch: asked(plate) },
      { onSuccess: onClose, onError: e => faulty(e, '/plate') },
    );
  if (sheet) {
    return (
      <SheetReading
        sheet="plate"
        says={text('shop-the-gearbox')}
        how={text('shop-sheet-whose-first')}
        act={text('shop-read-the-plate-in')}
        change={change}
        onClose={onClose}
      />
    );
  }
  const stray = Object.entries(wrong).filter(([at]) => !/^\/(cells\/\d+\/\d+|rows\/\d+|columns\/\d+)$/.test(at));
  return (
    <div className="part-form">
      <div className="row" role="group" aria-label={text('shop-what-the-plate-prints')}>
        {KINDS().map(([k, says]) => (
          <button
            key={k}
            type="button"
            className="choice"
            aria-pressed={kind === k}
            onClick={() =>
              edit({
                kind: k,
                ...(k === 'ratios'
                  ? { columns: [''] }
                  : plate.columns.length < 2
                    ? { columns: ['1', '2', '3', '4'] }
                    : {}),
              })
            }
          >
            {says}
          </button>
        ))}
      </div>
      <p className="how">
        {cells && text('shop-copy-plate-stands')}
        {kind === 'levers' && text('shop-ratio-each-place')}
        {kind === 'ratios' && text('shop-each-lever-position')}
      </p>
      {cells && (
        <label className="part-field">
          <span>
            {text('shop-change-gears-it-assumes')} <small>{text('shop-driving-driven-such')}</small>
          </span>
          <input
            value={plate.gears}
            autoComplete="off"
            onChange={e => edit({ gears: e.currentTarget.value })}
            aria-invalid={stray.some(([at]) => at.startsWith('/gears'))}
          />
        </label>
      )}
      <Grid
        text={plate}
        onText={edit}
        geared={cells}
        one={kind === 'ratios'}
        wrong={wrong}
        read={read}
        {...(kind === 'levers'
          ? { ratios: { rows: plate.rowRatios, columns: plate.columnRatios, onRatios: edit } }
          : {})}
      />
      {stray.map(([at, says]) => (
        <p key={at} className="fault" role="alert">
          {says}
        </p>
      ))}
      <div aria-live="polite">
        {read && <p>{read.misread.length ? <span className="fault">{read.says}</span> : <b>{read.says}</b>}</p>}
        {read?.doubt && <p>{read.doubt}</p>}
      </div>
      <div className="row">
        {kind !== 'ratios' && (
          <button type="button" className="act plain" disabled={look.isPending} onClick={() => look.mutate()}>
            {text('shop-check-the-plate')}
          </button>
        )}
        <button type="button" className="act" disabled={change.isPending} onClick={keep}>
          {text('page-set')}
        </button>
        <button
          type="button"
          className="act plain"
          onClick={() =>
            change.mutate(
              { says: text('shop-the-gearbox'), patch: { plate: null, gearbox: null } },
              { onSuccess: onClose },
            )
          }
        >
          {text('shop-there-is-no-gearbox')}
        </button>
        <a className="act plain as-link" href={`/api/v1/lathes/${encodeURIComponent(view.id)}/plate.csv`} download>
          {text('shop-as-a-sheet')}
        </a>
        <button type="button" className="act plain" onClick={() => setSheet(true)}>
          {text('shop-read-a-sheet')}
        </button>
      </div>
    </div>
  );
}
