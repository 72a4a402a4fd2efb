import { useId, useState } from 'react';
import { faultsOf, inWords, type LatheProfile } from '../api/client';
import { Leaf } from '../parts/Leaf';
import { SheetReading } from './Reading';
import type { PartProps } from './PartLeaf';
import { text } from '../app/voice';

type Group = NonNullable<LatheProfile['gear_groups']>[number];

/** A group of gears as it is typed. */
interface Typed {
  by: 'dp' | 'module_mm';
  pitch: string;
  gears: string;
  joined: string;
  bound: string;
  rest: Group;
}

const typedGroup = (g: Group): Typed => ({
  by: g.dp != null ? 'dp' : 'module_mm',
  pitch: String(g.dp ?? g.module_mm ?? 1),
  gears: Array.isArray(g.gears) ? g.gears.join(', ') : (g.gears ?? ''),
  joined: (g.joined ?? []).map(pair => pair.join('+')).join(', '),
  bound: (g.bound ?? []).map(b => text('shop-on', { teeth: b.teeth.join(', '), on: b.on.join(' ') })).join('; '),
  rest: g,
});

const entries = (written: string) =>
  written
    .split(/[,;\n]/)
    .map(t => t.trim())
    .filter(Boolean)
    .map(t => (/^\d+$/.test(t) ? Number(t) : t));

/** What was typed, as the profile has it; what does not read at all is said with its field. */
function told(t: Typed): { group: Group } | { field: keyof Typed; says: string } {
  const pitch = Number(t.pitch.replace(',', '.'));
  if (Number.isNaN(pitch)) return { field: 'pitch', says: text('shop-number-write-14', { pitch: t.pitch }) };
  const joined = t.joined
    .split(/[,;]/)
    .map(p => p.trim())
    .filter(Boolean)
    .map(p => p.split('+').map(Number));
  if (joined.some(p => p.some(n => !Number.isInteger(n))))
    return { field: 'joined', says: text('shop-gears-one-piece') };
  const bound = t.bound
    .split(';')
    .map(b => b.trim())
    .filter(Boolean)
    .map(b => /^([\d,\s]+)\s+on\s+(.+)$/i.exec(b));
  if (bound.some(b => b === null))
    return {
      field: 'bound',
      says: text('shop-write-teeth-shafts'),
    };
  return {
    group: {
      ...t.rest,
      dp: null,
      module_mm: null,
      [t.by]: pitch,
      gears: entries(t.gears),
      joined: joined.length ? joined : null,
      bound: bound.length
        ? bound.map(b => ({
            teeth: (b?.[1] ?? '').split(',').map(Number),
            on: (b?.[2] ?? '')
              .toLowerCase()
              .split(/[\s,]+|\band\b/)
              .filter(Boolean) as never,
          }))
        : null,
    },
  };
}

/** The gears in the drawer: by diametral pitch or module, with repeats and ranges, pieces, and shafts they are bound to. */
export function GearsLeaf({ open, ...props }: PartProps & { open: boolean }) {
  return (
    <Leaf title={text('shop-gears-in-the-drawer')} open={open} onClose={props.onClose} wide>
      {open && <Drawer {...props} />}
    </Leaf>
  );
}

/** What is told where they cannot be changed. */
const FIXED = 'fixed';

function Drawer({ view, change, onClose }: PartProps) {
  const id = useId();
  const { profile } = view;
  const [groups, setGroups] = useState<Typed[]>(() => {
    const own = profile.gear_groups ?? [
      {
        gears: profile.gears === FIXED ? [] : (profile.gears ?? []),
        joined: profile.joined ?? null,
        bound: profile.bound ?? null,
      },
    ];
    return own.map(typedGroup);
  });
  const [wrong, setWrong] = useState<Record<string, string>>({});
  const [sheet, setSheet] = useState(false);
  const set = (i: number, part: Partial<Typed>) => setGroups(groups.map((g, j) => (j === i ? { ...g, ...part } : g)));
  const send = () => {
    const list: Group[] = [];
    for (const [i, typed] of groups.entries()) {
      const read = told(typed);
      if ('field' in read) return setWrong({ [`${i}.${read.field}`]: read.says });
      list.push(read.group);
    }
    setWrong({});
    change.mutate(
      { says: text('shop-the-gears'), patch: { gear_groups: list, gears: null, joined: null, bound: null } },
      {
        onSuccess: onClose,
        onError: error => {
          const placed = faultsOf(error).map((f): [string, string] => {
            const [, i, field] = /^\/gear_groups\/(\d+)\/?(gears|joined|bound)?/.exec(f.pointer) ?? [];
            return [i === undefined ? '' : `${i}.${field ?? 'pitch'}`, f.detail];
          });
          setWrong(placed.length ? Object.fromEntries(placed) : { '': inWords(error) });
        },
      },
    );
  };
  const field = (i: number, name: 'gears' | 'joined' | 'bound', says: string, how: string) => (
    <label className="part-field" htmlFor={`${id}-${i}-${name}`}>
      <span>
        {says} <small>({how})</small>
      </span>
      {name === 'gears' ? (
        <textarea
          id={`${id}-${i}-${name}`}
          rows={3}
          value={groups[i]?.[name]}
          onChange={e => set(i, { [name]: e.currentTarget.value })}
          aria-invalid={`${i}.${name}` in wrong}
        />
      ) : (
        <input
          id={`${id}-${i}-${name}`}
          autoComplete="off"
          value={groups[i]?.[name]}
          onChange={e => set(i, { [name]: e.currentTarget.value })}
          aria-invalid={`${i}.${name}` in wrong}
        />
      )}
      {wrong[`${i}.${name}`] && (
        <p className="fault" role="alert">
          {wrong[`${i}.${name}`]}
        </p>
      )}
    </label>
  );
  if (sheet) {
    return (
      <SheetReading
        sheet="gears"
        says={text('shop-the-gears')}
        how={text('shop-sheet-comma-separated')}
        act={text('shop-read-the-gears-in')}
        change={change}
        onClose={onClose}
      />
    );
  }
  return (
    <form
      className="part-form"
      onSubmit={e => {
        e.preventDefault();
        send();
      }}
    >
      {groups.map((g, i) => (
        <fieldset key={i}>
          <legend>
            <span className="row">
              {(['dp', 'module_mm'] as const).map(by => (
                <button
                  key={by}
                  type="button"
                  className="choice"
                  aria-pressed={g.by === by}
                  onClick={() => set(i, { by })}
                >
                  {by === 'dp' ? text('shop-diametral-pitch') : text('shop-module-mm')}
                </button>
              ))}
              <input
                aria-label={g.by === 'dp' ? text('shop-diametral-pitch') : text('shop-module-in-mm')}
                inputMode="decimal"
                className="short"
                value={g.pitch}
                onChange={e => set(i, { pitch: e.currentTarget.value })}
                aria-invalid={`${i}.pitch` in wrong}
              />
              {groups.length > 1 && (
                <button
                  type="button"
                  className="act plain"
                  onClick={() => setGroups(groups.filter((_, j) => j !== i))}
                >
                  {text('shop-take-these-out')}
                </button>
              )}
            </span>
          </legend>
          {wrong[`${i}.pitch`] && (
            <p className="fault" role="alert">
              {wrong[`${i}.pitch`]}
            </p>
          )}
          {field(i, 'gears', text('shop-teeth'), text('shop-such-24-28'))}
          {field(i, 'joined', text('shop-in-one-piece'), text('shop-two-two-such'))}
          {field(i, 'bound', text('shop-on-some-shafts-only'), text('shop-such-100-spindle'))}
        </fieldset>
      ))}
      {wrong[''] && (
        <p className="fault" role="alert">
          {wrong['']}
        </p>
      )}
      <div className="row">
        <button type="submit" className="act" disabled={change.isPending}>
          {text('page-set')}
        </button>
        <button
          type="button"
          className="act plain"
          onClick={() => setGroups([...groups, typedGroup({ module_mm: 1, gears: [] })])}
        >
          {text('shop-gears-of-another-pitch')}
        </button>
        <a className="act plain as-link" href={`/api/v1/lathes/${encodeURIComponent(view.id)}/gears.csv`} download>
          {text('shop-as-a-sheet')}
        </a>
        <button type="button" className="act plain" onClick={() => setSheet(true)}>
          {text('shop-read-a-sheet')}
        </button>
        <button
          type="button"
          className="act plain"
          aria-pressed={profile.gears === FIXED}
          disabled={change.isPending}
          onClick={() =>
            change.mutate(
              {
                says: text('shop-the-gears'),
                patch: { gears: FIXED, gear_groups: null, joined: null, bound: null, mounted: null },
              },
              { onSuccess: onClose, onError: error => setWrong({ '': inWords(error) }) },
            )
          }
        >
          {text('shop-they-cannot-changed')}
        </button>
      </div>
    </form>
  );
}
