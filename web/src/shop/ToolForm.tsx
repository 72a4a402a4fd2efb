import type { Kit, OwnedBit, OwnedInsert } from '../api/client';
import { useKit } from '../api/hooks';
import type { Field } from '../parts/fields';
import { FieldsForm } from '../parts/FieldsForm';
import { TIP_FIELDS } from '../parts/tip';
import { useKeepKit } from './hooks';

export type Shelf = 'bits' | 'inserts';
type Tool = OwnedBit | OwnedInsert;

const CUTS: Field = {
  kind: 'choice',
  at: 'kind',
  says: 'It cuts',
  choices: [
    { says: 'outside', value: 'external' },
    { says: 'in a bore', value: 'internal' },
  ],
};
const FIELDS: Record<Shelf, Field[]> = {
  bits: [
    { kind: 'text', at: 'name', says: 'Called' },
    CUTS,
    {
      kind: 'choice',
      at: 'material',
      says: 'Made of',
      choices: [
        { says: 'high-speed steel', value: 'hss' },
        { says: 'cobalt steel', value: 'cobalt' },
        { says: 'carbon steel', value: 'carbon_steel' },
        { says: 'carbide', value: 'carbide' },
      ],
    },
    ...TIP_FIELDS,
    { kind: 'number', at: 'left_relief_deg', says: 'Relief of its left side, degrees', how: 'face up, point away' },
    { kind: 'number', at: 'right_relief_deg', says: 'Relief of its right side, degrees' },
    { kind: 'number', at: 'rake_deg', says: 'Back rake, degrees' },
    { kind: 'length', at: 'bar_diameter_mm', says: 'Of a bar: thickness' },
    { kind: 'length', at: 'tip_to_back_mm', says: 'Of a bar: tip to back' },
    { kind: 'length', at: 'reach_mm', says: 'Of a bar: how far it reaches' },
  ],
  inserts: [
    { kind: 'text', at: 'name', says: 'Called' },
    CUTS,
    {
      kind: 'choice',
      at: 'full_profile',
      says: 'It is',
      choices: [
        { says: 'for a range of pitches', value: false },
        { says: 'for one pitch, crest and all', value: true },
      ],
    },
    { kind: 'length', at: 'pitch_from_mm', says: 'Finest pitch' },
    { kind: 'length', at: 'pitch_to_mm', says: 'Coarsest pitch' },
    { kind: 'number', at: 'included_angle_deg', says: 'Included angle, degrees' },
    { kind: 'length', at: 'tip_radius_mm', says: 'Radius on its tip' },
    {
      kind: 'number',
      at: 'seat_tilt_deg',
      says: 'Its seat tilts it, degrees',
      how: 'under nought for left-hand threads',
    },
    { kind: 'number', at: 'clearance_deg', says: 'Its own clearance on each flank, degrees' },
    { kind: 'length', at: 'smallest_bore_mm', says: 'Smallest bore its bar goes into' },
    { kind: 'length', at: 'reach_mm', says: 'How far its bar reaches' },
    { kind: 'number', at: 'lowest_m_per_min', says: 'Lowest sensible speed, m a minute' },
  ],
};
const FRESH = {
  bits: (kind: OwnedBit['kind'], angle: number): OwnedBit => ({
    name: '',
    kind,
    material: 'hss',
    included_angle_deg: angle,
    condition: 'sharp',
  }),
  inserts: (kind: OwnedBit['kind'], angle: number): OwnedInsert => ({
    name: '',
    kind,
    full_profile: false,
    pitch_from_mm: 0.5,
    pitch_to_mm: 3,
    included_angle_deg: angle,
    tip_radius_mm: 0.1,
    seat_tilt_deg: 1.5,
    condition: 'sharp',
  }),
};

/** Ground anew, a bit's tip and sides are unknown until they are measured. */
const UNMEASURED = {
  tip_flat_mm: null,
  tip_radius_mm: null,
  tip_flat_between_mm: null,
  left_relief_deg: null,
  right_relief_deg: null,
};

/** A tool on its shelf: which, and where. */
export interface Held {
  shelf: Shelf;
  index: number;
}

/** What became of a tool, with the newest; the oldest of a long story is let go. */
export const happened = (history: OwnedBit['history'], what: string) =>
  [...(history ?? []), { what, on: new Date().toISOString().slice(0, 10) }].slice(-100);

/** The kit with one tool changed, added or taken out. */
function withTool(kit: Kit, { shelf, index }: Held, tool: Tool | null): Kit {
  const list: Tool[] = [...(kit[shelf] ?? [])];
  list.splice(index, 1, ...(tool ? [tool] : []));
  return { ...kit, [shelf]: list };
}

/** What is known of one tool, and what became of it. */
export function ToolForm({
  held,
  kind,
  angle,
  where,
  back,
  done,
}: {
  held: Held;
  /** What a new one is taken to cut. */
  kind: OwnedBit['kind'];
  angle: number;
  /** Where what became of it is told: the job in hand. */
  where?: string;
  back?: string;
  done: () => void;
}) {
  const kit = useKit().data;
  const keep = useKeepKit();
  if (!kit) return null;
  const fresh = FRESH[held.shelf](kind, angle);
  const known = kit[held.shelf]?.[held.index];
  const tool: Tool = known ?? fresh;
  const put = (next: Tool | null, onError?: (error: unknown) => void) =>
    keep.mutate(withTool(kit, held, next), { onSuccess: done, ...(onError ? { onError } : {}) });
  // A null takes a field away: the drawer is kept whole, so it is left out of what is sent.
  const changed = (patch: Record<string, unknown>) =>
    Object.fromEntries(Object.entries({ ...tool, ...patch }).filter(([, v]) => v !== null)) as unknown as Tool;
  const became = (what: string, condition: Tool['condition']) => {
    const { history = [] } = tool;
    const told = { condition, history: happened(history, where ? `${what}, at ${where}` : what) };
    put(changed(what === 'reground' ? { ...told, ...UNMEASURED } : told));
  };
  return (
    <div className="held">
      <FieldsForm
        columns
        fields={FIELDS[held.shelf]}
        value={tool}
        under={`/${held.shelf}/${held.index}`}
        busy={keep.isPending}
        act="Keep it"
        onSend={(patch, onError) => put(changed(patch), onError)}
      />
      {known && (
        <>
          <p>
            It is {tool.condition ?? 'sharp'}.
            {(tool.history ?? []).map(h => (
              <span key={`${h.on}${h.what}`} className="how">
                {' '}
                {h.on}: {h.what}.
              </span>
            ))}
          </p>
          <div className="row">
            <button type="button" className="choice" onClick={() => became('worn', 'worn')}>
              Mark it worn
            </button>
            <button
              type="button"
              className="choice"
              onClick={() => became(held.shelf === 'bits' ? 'reground' : 'new edge', 'sharp')}
            >
              {held.shelf === 'bits' ? 'It was reground' : 'A new edge'}
            </button>
            <button type="button" className="choice" onClick={() => became('broken', 'broken')}>
              It broke
            </button>
            <button type="button" className="act plain" onClick={() => put(null)}>
              Take it out of the drawer
            </button>
          </div>
        </>
      )}
      {back && (
        <div className="row">
          <button type="button" className="act plain" onClick={done}>
            {back}
          </button>
        </div>
      )}
    </div>
  );
}
