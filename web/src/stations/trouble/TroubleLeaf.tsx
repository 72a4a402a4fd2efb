import { useState } from 'react';
import { type ActKind, inWords, type Job, type TroubleSheet } from '../../api/client';
import { useTroubleSheet } from '../../api/sheets';
import { Leaf } from '../../parts/Leaf';
import './trouble.css';
import { spoken, text } from '../../app/voice';

type Cause = TroubleSheet['causes'][number];
type Symptom = TroubleSheet['symptoms'][number];

const STANDS = spoken<Record<Cause['standing'], string>>(() => ({
  shown: text('trouble-numbers-show-it'),
  open: text('trouble-to-be-looked-at'),
  unlikely: text('trouble-unlikely-here'),
}));

/** What has been told of a cause comes before what the numbers say of it. */
const standing = (cause: Cause) =>
  cause.found === true
    ? text('trouble-found')
    : cause.found === false
      ? text('trouble-not-that')
      : STANDS()[cause.standing];

function Cured({ cause, sheet }: { cause: Cause; sheet: TroubleSheet }) {
  return (
    <>
      <p className="cure">
        <b>{text('trouble-do')}</b> {cause.cure}
      </p>
      {sheet.rescues
        .filter(r => cause.rescues?.includes(r.rescue))
        .map(r => (
          <details key={r.rescue} className="rescue" open={cause.rescues?.[0] === r.rescue}>
            <summary>{r.says}</summary>
            <ol className="steps">
              {r.steps.map(s => (
                <li key={s}>{s}</li>
              ))}
            </ol>
          </details>
        ))}
    </>
  );
}

/** One cause: what it is, how it stands here, what settles it, and, once found, its cure. */
function CauseLine({
  cause,
  sheet,
  open,
  onOpen,
  onTold,
}: {
  cause: Cause;
  sheet: TroubleSheet;
  open: boolean;
  onOpen: () => void;
  onTold: (found: boolean) => void;
}) {
  return (
    <li className={`cause ${cause.found === false ? 'unlikely' : cause.standing}`}>
      <button type="button" className="cause-head" aria-expanded={open} onClick={onOpen}>
        <b>{cause.cause}</b>
        <span className="stands">{standing(cause)}</span>
        <span>{cause.why}</span>
      </button>
      {open && (
        <div className="cause-body">
          <p>
            <b>{text('trouble-look')}</b> {cause.settles}
          </p>
          <div className="row">
            <button
              type="button"
              className={`act${cause.found === true ? '' : ' plain'}`}
              aria-pressed={cause.found === true}
              onClick={() => onTold(true)}
            >
              {text('trouble-that-is-it')}
            </button>
            <button
              type="button"
              className="act plain"
              aria-pressed={cause.found === false}
              onClick={() => onTold(false)}
            >
              {text('trouble-act-not-that')}
            </button>
          </div>
          {cause.found !== false && <Cured cause={cause} sheet={sheet} />}
        </div>
      )}
    </li>
  );
}

function Causes({
  symptom,
  sheet,
  record,
}: {
  symptom: Symptom;
  sheet: TroubleSheet;
  record: (act: ActKind) => void;
}) {
  const [picked, setPicked] = useState<string | null>(null);
  // The likeliest not yet ruled out stands open, until another is opened.
  const open = picked ?? symptom.causes.find(code => sheet.causes.find(c => c.code === code)?.found !== false);
  return (
    <ol className="causes">
      {symptom.causes.map(code => {
        const cause = sheet.causes.find(c => c.code === code);
        return (
          cause && (
            <CauseLine
              key={code}
              cause={cause}
              sheet={sheet}
              open={open === code}
              onOpen={() => setPicked(open === code ? '' : code)}
              onTold={found => {
                // What was found stays open for its cure; what was not gives way to the next.
                setPicked(found ? code : null);
                record({ kind: 'trouble', symptom: symptom.symptom, cause: code, found });
              }}
            />
          )
        );
      })}
    </ol>
  );
}

/** From what is wrong to what is behind it, by this job's own numbers, with the check that settles it and the cure. */
export function TroubleLeaf({
  job,
  open,
  onClose,
  record,
}: {
  job: Job;
  open: boolean;
  onClose: () => void;
  record: (act: ActKind) => void;
}) {
  const answer = useTroubleSheet(job, open);
  const [asked, setAsked] = useState<Symptom['symptom'] | null>(null);
  const sheet = answer.data;
  const symptom = sheet?.symptoms.find(s => s.symptom === asked);
  const shown = sheet?.shown.map(code => sheet.causes.find(c => c.code === code)).filter(c => c !== undefined) ?? [];
  const close = () => {
    setAsked(null);
    onClose();
  };
  return (
    <Leaf title={symptom ? symptom.says : text('trouble-what-is-wrong')} open={open} onClose={close} wide>
      <div className="trouble">
        {answer.isError && !sheet && (
          <p className="fault" role="alert">
            {inWords(answer.error)}
          </p>
        )}
        {symptom && sheet ? (
          <>
            <Causes symptom={symptom} sheet={sheet} record={record} />
            <div className="row">
              <button type="button" className="act plain" onClick={() => setAsked(null)}>
                {text('trouble-something-else-is-wrong')}
              </button>
            </div>
            <p className="how">{text('trouble-spindle-stopped-hands')}</p>
          </>
        ) : (
          sheet && (
            <>
              {shown.length > 0 && (
                <div className="already" role="status">
                  <b>{text('trouble-already-jobs-numbers')}</b>
                  <ul>
                    {shown.map(c => (
                      <li key={c.code}>
                        <b>{c.cause}.</b> {c.why}
                      </li>
                    ))}
                  </ul>
                </div>
              )}
              <div className="symptoms">
                {sheet.symptoms.map(s => (
                  <button key={s.symptom} type="button" className="choice" onClick={() => setAsked(s.symptom)}>
                    {s.says}
                  </button>
                ))}
              </div>
            </>
          )
        )}
      </div>
    </Leaf>
  );
}
