import type { BatchView } from '../../api/client';
import { Outline } from '../../drawing/Outline';
import { text } from '../../app/voice';

/** Sizes part after part, and whether they drift. */
export function Drifts({ columns }: { columns: BatchView['tally']['columns'] }) {
  return (
    <div className="drifts">
      {columns
        .filter(c => c.chart)
        .map(c => (
          <section key={c.name} aria-label={text('batch-drift-of', { name: c.name })}>
            <h3>{c.name}</h3>
            <p className={c.drift?.real ? 'real' : 'how'}>{c.says}</p>
            {c.chart && <Outline drawing={c.chart} />}
          </section>
        ))}
    </div>
  );
}
