import { spoken, text } from '../app/voice';
import { useState } from 'react';
import { useKit } from '../api/hooks';
import { Leaf } from '../parts/Leaf';
import { edge, type Held, type Shelf, ToolForm } from './ToolForm';

const SHELVES = spoken<{ shelf: Shelf; head: string; add: string }[]>(() => [
  { shelf: 'bits', head: text('shop-bits-and-bars'), add: text('page-add-bit-bar') },
  { shelf: 'inserts', head: text('shop-inserts'), add: text('page-add-an-insert') },
]);

/** Every bit, bar and insert of the drawer, with what is known of it and what became of it. */
export function DrawerShelves() {
  const kit = useKit().data;
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
                    <span>
                      {tool.kind === 'internal' ? text('shop-in-a-bore') : text('shop-outside')},{' '}
                      {tool.included_angle_deg}°, {edge(tool.condition)}
                    </span>
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
      <Leaf title={text('page-tool-drawer')} open={held !== null} onClose={close} wide>
        {held && <ToolForm held={held} kind="external" angle={60} done={close} />}
      </Leaf>
    </>
  );
}
