import { Link } from '@tanstack/react-router';
import { type CheckLine, inWords, type Job, type LatheProfile, type Plan } from '../../api/client';
import { type Patch, useChange } from '../../api/hooks';
import { STATIONS } from '../../app/stations';
import { useLatheChange, useLatheView } from '../../shop/hooks';
import { spoken, text } from '../../app/voice';

const MARKS = { good: '✓', bad: '▲', unknown: '?' } as const;
const SAID = spoken(
  () => ({ good: text('setup-good'), bad: text('setup-to-put-right'), unknown: text('page-not-known') }) as const,
);
const ORDER = { bad: 0, unknown: 1, good: 2 } as const;

/** A cure at one touch, and what stands in its way. */
function Touch({
  line,
  says,
  busy,
  error,
  onTouch,
}: {
  line: CheckLine;
  says: string;
  busy: boolean;
  error: unknown;
  onTouch: () => void;
}) {
  return (
    <div>
      <button
        type="button"
        className="act plain"
        disabled={busy}
        aria-label={`${says}. ${line.name}: ${line.cure?.says ?? ''}`}
        onClick={onTouch}
      >
        {says}
      </button>
      {error != null && (
        <p className="fault" role="alert">
          {inWords(error)}
        </p>
      )}
    </div>
  );
}

/** A cure that is a change of the job's lathe. */
function LatheCure({ lathe, line, patch }: { lathe: string; line: CheckLine; patch: LatheProfile }) {
  const view = useLatheView(lathe);
  const { change } = useLatheChange(view.data);
  if (!view.data) return null;
  return (
    <Touch
      line={line}
      says={text('setup-it-is-on')}
      busy={change.isPending}
      error={change.error}
      onTouch={() => change.mutate({ says: text('page-on-it-now'), patch })}
    />
  );
}

/** A cure that is a fact of the job. */
function FactCure({ job, line, patch }: { job: Job; line: CheckLine; patch: Patch }) {
  const facts = useChange(job);
  return (
    <Touch
      line={line}
      says={line.state === 'unknown' ? text('setup-it-is-so') : text('setup-do-that')}
      busy={facts.isPending}
      error={facts.error}
      onTouch={() => facts.mutate({ request: patch })}
    />
  );
}

function CureButton({ job, line }: { job: Job; line: CheckLine }) {
  const change = line.cure?.change as { lathe?: LatheProfile } | undefined;
  if (!change) return null;
  const lathe = job.request.lathe_id;
  if (change.lathe) return lathe ? <LatheCure lathe={lathe} line={line} patch={change.lathe} /> : null;
  return job.frozen ? null : <FactCure job={job} line={line} patch={change as Patch} />;
}

/** The one check before the first chip: what is wrong first, then what is not known, then what is good. */
export function CheckList({ job, plan }: { job: Job; plan: Plan }) {
  const lines = [...plan.check.lines].sort((a, b) => ORDER[a.state] - ORDER[b.state]);
  return (
    <div className="check">
      <p className={`check-says ${plan.check.ready ? 'ready' : 'not-ready'}`} role="status">
        {plan.check.says}
      </p>
      <ul aria-label={text('setup-check-before-first')}>
        {lines.map(line => (
          <li key={line.code + line.says} className={line.state} data-check={line.code}>
            <span className="mark" aria-hidden="true">
              {MARKS[line.state]}
            </span>
            <div>
              <Link
                to="/jobs/$id/$station"
                params={{ id: job.id, station: STATIONS().some(s => s.id === line.station) ? line.station : 'setup' }}
                className="check-name"
              >
                {line.name}
              </Link>
              <b className="check-state">{SAID()[line.state]}</b>
              <p>{line.says}</p>
              {line.cure && <p className="cure">{line.cure.says}</p>}
            </div>
            {line.cure && <CureButton job={job} line={line} />}
          </li>
        ))}
      </ul>
    </div>
  );
}
