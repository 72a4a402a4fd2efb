import { spoken, text } from '../app/voice';
import { useState } from 'react';
import type { Kit } from '../api/client';
import { useKit, useMaterials } from '../api/hooks';
import { Leaf } from '../parts/Leaf';
import { typed } from '../parts/text';
import { useUnit } from '../parts/unit';
import { edge } from './edge';
import { type Held, type Shelf, ToolForm } from './ToolForm';

const SHELVES = spoken<{ shelf: Shelf; head: string; add: string }[]>(() => [
  { shelf: 'bits', head: text('shop-bits-and-bars'), add: text('page-add-bit-bar') },
  { shelf: 'bars', head: text('shop-bars'), add: text('shop-add-a-bar') },
  { shelf: 'inserts', head: text('shop-inserts'), add: text('page-add-an-insert') },
  { shelf: 'blades', head: text('shop-blades'), add: text('shop-add-a-blade') },
  { shelf: 'materials', head: text('shop-materials'), add: text('shop-add-a-material') },
]);

/** What is said of each thing of a shelf beside its name. */
function useSaid(kit: Kit | undefined): (shelf: Shelf, index: number) => string {
  const unit = useUnit();
  const materials = useMaterials().data;
  const mm = (length: number) => `${typed(length, unit)} ${unit}`;
  const cuts = (kind: 'external' | 'internal') =>
    kind === 'internal' ? text('shop-in-a-bore') : text('shop-outside');
  return (shelf, index) => {
    if (shelf === 'materials') {
      const like = kit?.materials?.[index]?.like;
      return text('shop-like-it', { name: materials?.find(m => m.code === like)?.name ?? like ?? '' });
    }
    if (shelf === 'bars') {
      const bar = kit?.bars?.[index];
      return bar
        ? `${text('shop-thick-and-reach', { thick: mm(bar.diameter_mm), reach: mm(bar.reach_mm) })}, ${edge(bar.condition)}`
        : '';
    }
    if (shelf === 'blades') {
      const blade = kit?.blades?.[index];
      return blade
        ? `${cuts(blade.kind)}, ${text('shop-wide', { width: mm(blade.width_mm) })}, ${edge(blade.condition)}`
        : '';
    }
    const tool = kit?.[shelf]?.[index];
    return tool ? `${cuts(tool.kind)}, ${tool.included_angle_deg}°, ${edge(tool.condition)}` : '';
  };
}

/** Everything of the drawer that is told by name, with what is known of it and what became of it. */
export function DrawerShelves() {
  const kit = useKit().data;
  const says = useSaid(kit);
  const [held, setHeld] = useState<Held | null>(null);
  const close = () => setHeld(null);
  return (
    <>
      {kit &&
        SHELVES().map(({ shelf, head, add }) => (
          <section key={shelf} aria-labelledby={`${shelf}-head`}>
            <h2 id={`${shelf}-head`}>{head}</h2>
            <ul className="jobs">
              {(kit[shelf] ?? []).map((tool, index) => (
                <li key={tool.name}>
                  <button type="button" className="shelved" onClick={() => setHeld({ shelf, index })}>
                    <b>{tool.name}</b>
                    <span>{says(shelf, index)}</span>
                  </button>
                </li>
              ))}
            </ul>
            <button
              type="button"
              className="act plain"
              onClick={() => setHeld({ shelf, index: kit[shelf]?.length ?? 0 })}
            >
              {add}
            </button>
          </section>
        ))}
      <Leaf
        title={held?.shelf === 'materials' ? text('shop-materials') : text('page-tool-drawer')}
        open={held !== null}
        onClose={close}
        wide
      >
        {held && <ToolForm held={held} kind="external" angle={60} done={close} />}
      </Leaf>
    </>
  );
}
