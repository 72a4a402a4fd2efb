import type { Plan } from '../../api/client';

/** The one state of the cycle the hands are in, for the way this pass ends. */
export function Cycle({
  phases,
  at,
  onAt,
}: {
  phases: NonNullable<Plan['run']['cycle']>;
  at: number;
  onAt: (at: number) => void;
}) {
  return (
    <div className="cycle-strip">
      <ol className="cycle">
        {phases.map((p, i) => (
          <li key={p.name}>
            <button type="button" aria-current={i === at ? 'step' : undefined} onClick={() => onAt(i)}>
              {p.name}
            </button>
          </li>
        ))}
      </ol>
      <p className="phase-says">{phases[at]?.says}</p>
    </div>
  );
}
