import type { LineView } from '../../api/client';
import { spoken, text } from '../../app/voice';

const LINK = spoken<Partial<Record<LineView['link'], string>>>(() => ({
  waits: text('instruments-no-line'),
  heard: text('instruments-heard'),
  lost: text('instruments-lost'),
}));

/** What an instrument says, its figures to be touched. */
export function SpokenLine({
  view,
  pointing,
  onPoint,
}: {
  view: LineView | null;
  /** Whether a figure is waited for. */
  pointing: boolean;
  onPoint: (at: number) => void;
}) {
  return (
    <div className="spoken">
      <p className="spoken-link" data-link={view?.link ?? 'waits'} role="status">
        {view ? LINK()[view.link] : text('instruments-waits')}
      </p>
      <p className={`spoken-line${pointing ? ' pointing' : ''}`} aria-label={text('instruments-line')}>
        {view?.pieces.map((piece, i) =>
          piece.at == null ? (
            <span key={i}>{piece.text}</span>
          ) : (
            <button
              key={i}
              type="button"
              className="figure-piece"
              disabled={!pointing}
              onClick={() => onPoint(piece.at ?? 0)}
            >
              {piece.text}
            </button>
          ),
        )}
      </p>
    </div>
  );
}
