import type { Kit, OwnedBit, OwnedInsert } from '../api/client';
import { useKit } from '../api/hooks';
import type { Field } from '../parts/fields';
import { FieldsForm } from '../parts/FieldsForm';
import { TIP_FIELDS } from '../parts/tip';
import { useKeepKit } from './hooks';
import { said, spoken, text } from '../app/voice';

export type Shelf = 'bits' | 'inserts';
type Tool = OwnedBit | OwnedInsert;

const CUTS = spoken<Field>(() => ({
  kind: 'choice',
  at: 'kind',
  says: text('shop-it-cuts'),
  choices: [
    { says: text('shop-outside'), value: 'external' },
    { says: text('shop-in-a-bore'), value: 'internal' },
  ],
}));

/** What a tool’s edge is, in a word. */
export const edge = (condition: Tool['condition']) => text(EDGE[condition ?? 'sharp']);

const EDGE = { sharp: 'shop-sharp', worn: 'shop-worn', broken: 'shop-broken' } as const;

const FIELDS = spoken<Record<Shelf, Field[]>>(() => ({
  bits: [
    { kind: 'text', at: 'name', says: text('page-called') },
    CUTS(),
    {
      kind: 'choice',
      at: 'material',
      says: text('shop-made-of'),
      choices: [
        { says: text('shop-high-speed-steel'), value: 'hss' },
        { says: text('shop-cobalt-steel'), value: 'cobalt' },
        { says: text('shop-carbon-steel'), value: 'carbon_steel' },
        { says: text('shop-carbide'), value: 'carbide' },
      ],
    },
    ...TIP_FIELDS(),
    {
      kind: 'number',
      at: 'left_relief_deg',
      says: text('shop-relief-left-side'),
      how: text('shop-face-up-point-away'),
    },
    { kind: 'number', at: 'right_relief_deg', says: text('shop-relief-right-side') },
    { kind: 'number', at: 'rake_deg', says: text('page-back-rake-degrees') },
    { kind: 'length', at: 'bar_diameter_mm', says: text('shop-of-a-bar-thickness') },
    { kind: 'length', at: 'tip_to_back_mm', says: text('shop-bar-tip-back') },
    { kind: 'length', at: 'reach_mm', says: text('shop-bar-how-far') },
  ],
  inserts: [
    { kind: 'text', at: 'name', says: text('page-called') },
    CUTS(),
    {
      kind: 'choice',
      at: 'full_profile',
      says: text('shop-it-is'),
      choices: [
        { says: text('shop-range-pitches'), value: false },
        { says: text('shop-one-pitch-crest'), value: true },
      ],
    },
    { kind: 'length', at: 'pitch_from_mm', says: text('shop-finest-pitch') },
    { kind: 'length', at: 'pitch_to_mm', says: text('shop-coarsest-pitch') },
    { kind: 'number', at: 'included_angle_deg', says: text('page-included-angle-degrees') },
    { kind: 'length', at: 'tip_radius_mm', says: text('shop-radius-on-its-tip') },
    {
      kind: 'number',
      at: 'seat_tilt_deg',
      says: text('shop-seat-tilts-degrees'),
      how: text('shop-under-nought-left'),
    },
    { kind: 'number', at: 'clearance_deg', says: text('shop-own-clearance-each') },
    { kind: 'length', at: 'smallest_bore_mm', says: text('shop-smallest-bore-bar') },
    { kind: 'length', at: 'reach_mm', says: text('shop-how-far-bar') },
    { kind: 'number', at: 'lowest_m_per_min', says: text('shop-lowest-sensible-speed') },
  ],
}));
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
    const told = { condition, history: happened(history, where ? text('shop-at', { what, where }) : what) };
    put(changed(what === 'reground' ? { ...told, ...UNMEASURED } : told));
  };
  return (
    <div className="held">
      <FieldsForm
        columns
        fields={FIELDS()[held.shelf]}
        value={tool}
        under={`/${held.shelf}/${held.index}`}
        busy={keep.isPending}
        act={text('page-keep-it')}
        onSend={(patch, onError) => put(changed(patch), onError)}
      />
      {known && (
        <>
          <p>
            {said('shop-its-edge-is', {
              condition: edge(tool.condition),
              history: (tool.history ?? []).map(h => (
                <span key={`${h.on}${h.what}`} className="how">
                  {' '}
                  {h.on}: {h.what}.
                </span>
              )),
            })}
          </p>
          <div className="row">
            <button type="button" className="choice" onClick={() => became('worn', 'worn')}>
              {text('shop-mark-it-worn')}
            </button>
            <button
              type="button"
              className="choice"
              onClick={() => became(held.shelf === 'bits' ? 'reground' : 'renewed', 'sharp')}
            >
              {held.shelf === 'bits' ? text('shop-it-was-reground') : text('shop-a-new-edge')}
            </button>
            <button type="button" className="choice" onClick={() => became('broken', 'broken')}>
              {text('page-it-broke')}
            </button>
            <button type="button" className="act plain" onClick={() => put(null)}>
              {text('shop-take-out-drawer')}
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
