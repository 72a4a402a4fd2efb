import { useState } from 'react';
import { inWords, type Job } from '../../api/client';
import { usePartSheet } from '../../api/part';
import { Outline } from '../../drawing/Outline';
import { Leaf } from '../../parts/Leaf';
import { PartFrame } from '../PartFrame';
import { CardLines } from '../CardLines';
import { StretchLeaf } from './StretchLeaf';
import type { Piece, Stretch } from './stretch';
import { text } from '../../app/voice';

/** The part drawn whole: what stands along it is told on the drawing or in its sentence, its limits stand beside it. */
export function PartPage() {
  return <PartFrame sheet="part">{job => <PartOf job={job} key={job.id} />}</PartFrame>;
}

function PartOf({ job }: { job: Job }) {
  const answer = usePartSheet(job);
  const [at, setAt] = useState(0);
  if (answer.isError && !answer.data)
    return (
      <p className="fault" role="alert">
        {inWords(answer.error)}
      </p>
    );
  if (!answer.data) return <p className="how">{text('whole-drawing-it')}</p>;
  const pieces = answer.data.pieces;
  const piece = pieces[at] ?? pieces[0];
  if (!piece) return <p className="fault">{text('whole-nothing-plans')}</p>;
  return (
    <Shown job={job} piece={piece} key={piece.piece}>
      {pieces.length > 1 && (
        <div className="row" role="radiogroup" aria-label={text('whole-which-piece')}>
          {pieces.map((p, i) => (
            <button
              key={p.piece}
              type="button"
              role="radio"
              aria-checked={p === piece}
              className="choice"
              onClick={() => setAt(i)}
            >
              {p.says}
            </button>
          ))}
        </div>
      )}
      <a className="choice as-link" href={`/api/v1/jobs/${job.id}/part.dxf?piece=${at}`} download>
        {text('whole-as-dxf')}
      </a>
    </Shown>
  );
}

function Shown({ job, piece, children }: { job: Job; piece: Piece; children: React.ReactNode }) {
  const [told, setTold] = useState<Stretch | 'new' | null>(null);
  const stretches = [...piece.stretches, ...piece.unplaced];
  const open = (key: string) => setTold(stretches.find(s => s.key === key || `${s.key}.long` === key) ?? null);
  const word = (s: Stretch) => (
    <button type="button" className="word" onClick={() => setTold(s)}>
      {s.says}
    </button>
  );
  const outside = piece.stretches.filter(s => !s.inside);
  const inside = piece.stretches.filter(s => s.inside);
  return (
    <div className="two-sided whole-page">
      <div className="wide-side">
        <p className="sentence part-sentence">
          {text('whole-from-its-first-face')}{' '}
          {outside.map((s, i) => (
            <span key={s.key}>
              {i > 0 && text('whole-then')}
              {word(s)}
            </span>
          ))}
          {inside.length > 0 && text('whole-inside')}
          {inside.map((s, i) => (
            <span key={s.key}>
              {i > 0 && text('whole-then')}
              {word(s)}
            </span>
          ))}
          {'. '}
          <button type="button" className="choice" onClick={() => setTold('new')}>
            {text('whole-and-more')}
          </button>
        </p>
        {piece.at_odds.map(says => (
          <p key={says} className="fault">
            ▲ {says}
          </p>
        ))}
        {piece.unplaced.length > 0 && (
          <p className="how">
            {text('whole-no-place-yet')}{' '}
            {piece.unplaced.map(s => (
              <span key={s.key}>{word(s)} </span>
            ))}
          </p>
        )}
        <Outline drawing={piece.drawing} className="part-drawing" onDimension={open} onPart={open} />
      </div>
      <aside aria-label={text('whole-its-limits')}>
        <p className="how">{piece.length}</p>
        {piece.limits.map(section => (
          <section key={section.name} aria-label={section.name}>
            <h2>{section.name}</h2>
            <CardLines lines={section.lines} />
          </section>
        ))}
        <div className="row">{children}</div>
      </aside>
      <Leaf
        title={told === 'new' ? text('whole-what-else-stands') : (told?.says ?? '')}
        open={told !== null}
        onClose={() => setTold(null)}
        wide
      >
        {told && <StretchLeaf job={job} piece={piece} told={told} onClose={() => setTold(null)} />}
      </Leaf>
    </div>
  );
}
