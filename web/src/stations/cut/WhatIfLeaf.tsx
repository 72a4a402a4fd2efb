import { useState } from 'react';
import { inWords, type Job } from '../../api/client';
import { Outline } from '../../drawing/Outline';
import { figure } from '../../parts/Figure';
import { Leaf } from '../../parts/Leaf';
import { useUnit } from '../../parts/unit';
import { useGroove } from '../../api/sheets';
import { text } from '../../app/voice';
import { OwnFigure } from './OwnFigure';

/** A dry run of mistakes, what each would do to this groove; and a figure of one's own, tested. */
export function WhatIfLeaf({ job, open, onClose }: { job: Job; open: boolean; onClose: () => void }) {
  const groove = useGroove(job, open);
  const unit = useUnit();
  const [at, setAt] = useState(0);
  const list = groove.data?.what_if ?? [];
  const own = at < 0;
  const shown = own ? undefined : list[Math.min(at, list.length - 1)];
  return (
    <Leaf title={text('cut-what-if')} open={open} onClose={onClose} wide>
      {groove.isError && <p className="fault">{inWords(groove.error)}</p>}
      <div className="what-if">
        <div className="choices" role="group" aria-label={text('cut-which-mistake')}>
          {list.map((w, i) => (
            <button
              key={w.mistake}
              type="button"
              className="choice"
              aria-pressed={w === shown}
              onClick={() => setAt(i)}
            >
              {w.asks}
            </button>
          ))}
          <button type="button" className="choice" aria-pressed={own} onClick={() => setAt(-1)}>
            {text('cut-own-figure')}
          </button>
        </div>
        {own && <OwnFigure job={job} kinds={groove.data?.own ?? []} />}
        {shown && (
          <div>
            <Outline drawing={shown.drawing} />
            <p className="what-if-says" aria-live="polite">
              {shown.says}
            </p>
            <p className="how">{text('cut-dashed-groove-meant', { off: figure(shown.acts_mm, unit) })}</p>
          </div>
        )}
      </div>
    </Leaf>
  );
}
