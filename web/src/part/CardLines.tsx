import type { CardLine } from '../api/client';
import { figure } from '../parts/Figure';
import { useUnit } from '../parts/unit';

/** A settings card: what is set, line by line. */
export function CardLines({ lines }: { lines: CardLine[] }) {
  const unit = useUnit();
  return (
    <dl className="card-lines">
      {lines.map((l, i) => (
        <div key={`${l.says}${i}`} className={l.figure ? 'is-figure' : undefined}>
          <dt>{l.says}</dt>
          <dd>{l.figure ? figure(l.figure, unit) : l.text}</dd>
        </div>
      ))}
    </dl>
  );
}
