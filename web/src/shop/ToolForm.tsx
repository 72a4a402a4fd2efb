import type { Kit, Material, OwnedBar, OwnedBit, OwnedBlade, OwnedInsert, OwnMaterial } from '../api/client';
import { useKit, useMaterials } from '../api/hooks';
import type { Field } from '../parts/fields';
import { FieldsForm } from '../parts/FieldsForm';
import { TIP_FIELDS } from '../parts/tip';
import { edge } from './edge';
import { useKeepKit } from './hooks';
import type { ReactNode } from 'react';
import { said, spoken, text } from '../app/voice';

export type Shelf = 'bits' | 'bars' | 'inserts' | 'blades' | 'materials';
type Tool = OwnedBit | OwnedInsert | OwnedBar | OwnedBlade;
type Thing = Tool | OwnMaterial;

const CUTS = spoken<Field>(() => ({
  kind: 'choice',
  at: 'kind',
  says: text('shop-it-cuts'),
  choices: [
    { says: text('shop-outside'), value: 'external' },
    { says: text('shop-in-a-bore'), value: 'internal' },
  ],
}));

const MADE_OF = spoken<Field>(() => ({
  kind: 'choice',
  at: 'material',
  says: text('shop-made-of'),
  choices: [
    { says: text('shop-high-speed-steel'), value: 'hss' },
    { says: text('shop-cobalt-steel'), value: 'cobalt' },
    { says: text('shop-carbon-steel'), value: 'carbon_steel' },
    { says: text('shop-carbide'), value: 'carbide' },
    { says: text('shop-soft-steel'), value: 'soft_steel' },
  ],
}));

/** What is told of each thing of a shelf; some of it by what else the shop has. */
const FIELDS: Record<Shelf, (kit: Kit, materials: Material[]) => Field[]> = {
  bits: kit => [
    { kind: 'text', at: 'name', says: text('page-called') },
    CUTS(),
    MADE_OF(),
    ...TIP_FIELDS(),
    {
      kind: 'number',
      at: 'left_relief_deg',
      says: text('shop-relief-left-side'),
      how: text('shop-face-up-point-away'),
    },
    { kind: 'number', at: 'right_relief_deg', says: text('shop-relief-right-side') },
    { kind: 'number', at: 'left_rest_deg', says: text('shop-rest-left-side'), how: text('shop-rest-how') },
    { kind: 'number', at: 'right_rest_deg', says: text('shop-rest-right-side') },
    { kind: 'number', at: 'rake_deg', says: text('page-back-rake-degrees') },
    { kind: 'number', at: 'tilt_deg', says: text('shop-holder-tilts'), how: text('shop-holder-tilts-how') },
    { kind: 'length', at: 'width_mm', says: text('shop-width-of-bit') },
    { kind: 'length', at: 'point_left_mm', says: text('shop-point-left'), how: text('shop-point-left-how') },
    { kind: 'length', at: 'thickness_mm', says: text('shop-thickness-of-bit') },
    ...(kit.bars?.length
      ? [
          {
            kind: 'choice' as const,
            at: 'bar',
            says: text('shop-in-which-bar'),
            choices: [
              { says: text('shop-in-no-bar'), value: null },
              ...kit.bars.map(b => ({ says: b.name, value: b.name })),
            ],
          },
        ]
      : []),
    { kind: 'length', at: 'bar_diameter_mm', says: text('shop-of-a-bar-thickness') },
    { kind: 'length', at: 'tip_to_back_mm', says: text('shop-bar-tip-back') },
    { kind: 'length', at: 'reach_mm', says: text('shop-bar-how-far') },
  ],
  bars: () => [
    { kind: 'text', at: 'name', says: text('page-called') },
    { kind: 'length', at: 'diameter_mm', says: text('shop-thickness') },
    { kind: 'length', at: 'reach_mm', says: text('shop-reaches') },
    { kind: 'length', at: 'nose_mm', says: text('shop-bar-nose') },
    {
      kind: 'choice',
      at: 'carbide',
      says: text('shop-made-of'),
      choices: [
        { says: text('shop-steel'), value: false },
        { says: text('shop-carbide'), value: true },
      ],
    },
  ],
  blades: () => [
    { kind: 'text', at: 'name', says: text('page-called') },
    CUTS(),
    {
      kind: 'choice',
      at: 'use_for',
      says: text('shop-it-is-for'),
      choices: [
        { says: text('shop-for-grooves'), value: 'groover' },
        { says: text('shop-for-parting'), value: 'parting' },
      ],
    },
    { kind: 'length', at: 'width_mm', says: text('shop-width-of-edge') },
    { kind: 'length', at: 'corner_mm', says: text('shop-corner-of-edge'), how: text('shop-corner-of-edge-how') },
    { kind: 'length', at: 'depth_mm', says: text('shop-goes-deep') },
    { kind: 'number', at: 'end_relief_deg', says: text('shop-end-relief') },
    { kind: 'length', at: 'tip_to_back_mm', says: text('shop-bar-tip-back') },
    { kind: 'length', at: 'reach_mm', says: text('shop-bar-how-far') },
  ],
  inserts: () => [
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
  materials: (_, materials) => [
    { kind: 'text', at: 'name', says: text('page-called') },
    {
      kind: 'choice',
      at: 'like',
      says: text('shop-like'),
      how: text('shop-like-how'),
      choices: materials.filter(m => !isOwn(m)).map(m => ({ says: m.name, value: m.code })),
    },
    { kind: 'number', at: 'hss_m_per_min', says: text('shop-speed-hss') },
    { kind: 'number', at: 'carbide_m_per_min', says: text('shop-speed-carbide') },
    { kind: 'length', at: 'first_cut_mm', says: text('shop-first-cut') },
    { kind: 'length', at: 'least_cut_mm', says: text('shop-least-cut') },
    { kind: 'number', at: 'kc1_n_mm2', says: text('shop-pressure') },
    { kind: 'number', at: 'tensile_n_mm2', says: text('shop-tensile') },
    { kind: 'number', at: 'modulus_gpa', says: text('shop-stiffness') },
    { kind: 'number', at: 'relief_deg', says: text('shop-clearance-of') },
    { kind: 'number', at: 'rake_most_deg', says: text('shop-rake-most') },
    { kind: 'text', at: 'fluid', says: text('shop-run-on-it') },
    {
      kind: 'choice',
      at: 'crests_rise',
      says: text('shop-crests-rise'),
      choices: [
        { says: text('shop-crests-rise-no'), value: false },
        { says: text('shop-crests-rise-yes'), value: true },
      ],
    },
  ],
};

/** A material of one’s own, or the one nobody knows: nothing is like it. */
const isOwn = (m: Material) => m.code.startsWith('own_') || m.code === 'not_known';

const FRESH: Record<Shelf, (kind: OwnedBit['kind'], angle: number) => Thing> = {
  bits: (kind, angle) => ({ name: '', kind, material: 'hss', included_angle_deg: angle, condition: 'sharp' }),
  bars: () => ({ name: '', diameter_mm: 16, reach_mm: 80, condition: 'sharp' }),
  blades: kind => ({ name: '', kind, use_for: 'groover', width_mm: 3, condition: 'sharp' }),
  inserts: (kind, angle) => ({
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
  materials: () => ({ name: '', like: 'mild_steel' }),
};

/** Ground anew, a bit's tip and sides are unknown until they are measured. */
const UNMEASURED = {
  tip_flat_mm: null,
  tip_radius_mm: null,
  tip_flat_between_mm: null,
  left_relief_deg: null,
  right_relief_deg: null,
  left_rest_deg: null,
  right_rest_deg: null,
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
function withTool(kit: Kit, { shelf, index }: Held, tool: Thing | null): Kit {
  const list: Thing[] = [...(kit[shelf] ?? [])];
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
  const materials = useMaterials().data;
  const keep = useKeepKit();
  if (!kit || !materials) return null;
  const fresh = FRESH[held.shelf](kind, angle);
  const known = kit[held.shelf]?.[held.index];
  const thing: Thing = known ?? fresh;
  const put = (next: Thing | null, onError?: (error: unknown) => void) =>
    keep.mutate(withTool(kit, held, next), { onSuccess: done, ...(onError ? { onError } : {}) });
  // A null takes a field away: the drawer is kept whole, so it is left out of what is sent.
  const changed = (patch: Record<string, unknown>) =>
    Object.fromEntries(Object.entries({ ...thing, ...patch }).filter(([, v]) => v !== null)) as unknown as Thing;
  return (
    <div className="held one-column">
      <FieldsForm
        columns
        fields={FIELDS[held.shelf](kit, materials)}
        value={thing}
        under={`/${held.shelf}/${held.index}`}
        busy={keep.isPending}
        act={text('page-keep-it')}
        onSend={(patch, onError) => put(changed(patch), onError)}
      />
      {known &&
        (held.shelf === 'materials' ? (
          <TakeOut put={put} />
        ) : (
          <Became tool={known as Tool} shelf={held.shelf} where={where} put={patch => put(changed(patch))}>
            <TakeOut put={put} />
          </Became>
        ))}
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

function TakeOut({ put }: { put: (next: null) => void }) {
  return (
    <button type="button" className="act plain" onClick={() => put(null)}>
      {text('shop-take-out-drawer')}
    </button>
  );
}

/** What became of a tool: worn, ground anew, broken, lent and back. */
function Became({
  tool,
  shelf,
  where,
  put,
  children,
}: {
  tool: Tool;
  shelf: Shelf;
  where?: string | undefined;
  put: (patch: Record<string, unknown>) => void;
  children: ReactNode;
}) {
  const became = (what: string, condition: Tool['condition'], more?: Record<string, unknown>) =>
    put({
      condition,
      history: happened(tool.history, where ? text('shop-at', { what, where }) : what),
      ...more,
    });
  const lent = tool.condition === 'lent';
  return (
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
          onClick={() => (shelf === 'bits' ? became('reground', 'sharp', UNMEASURED) : became('renewed', 'sharp'))}
        >
          {shelf === 'bits' ? text('shop-it-was-reground') : text('shop-a-new-edge')}
        </button>
        <button type="button" className="choice" onClick={() => became('broken', 'broken')}>
          {text('page-it-broke')}
        </button>
        <button
          type="button"
          className="choice"
          onClick={() => (lent ? became(text('shop-back-again'), 'sharp') : became(text('shop-lent-out'), 'lent'))}
        >
          {lent ? text('shop-came-back') : text('shop-lend-it')}
        </button>
        {children}
      </div>
    </>
  );
}
