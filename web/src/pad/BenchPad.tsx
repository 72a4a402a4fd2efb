import { useMemo, useState } from 'react';
import { inWords, type Job, type Plan, type SumRequest } from '../api/client';
import { useChange, useFeeds, useRules } from '../api/hooks';
import { readLength } from '../api/length';
import { figure, Figure } from '../parts/Figure';
import { useDraft } from '../parts/draft';
import { Leaf } from '../parts/Leaf';
import { typed } from '../parts/text';
import { WorkingProvider } from '../parts/Working';
import { useUnit } from '../parts/unit';
import { text } from '../app/voice';

type Kind = NonNullable<SumRequest['kind']>;
const KINDS: Kind[] = [
  'half_difference',
  'gap_less_pin',
  'metal_left',
  'location',
  'middle',
  'run_out',
  'taper',
  'face_off',
];
/** A sum being written: its figures as text until they are read. */
interface Draft {
  name: string;
  kind: Kind;
  figures: { text: string; from: string | null }[];
  feeds: SumRequest['feeds'];
}

/** The bench pad: named sums, linked, some feeding the card. */
export function BenchPad({ job, plan, open, onClose }: { job: Job; plan: Plan; open: boolean; onClose: () => void }) {
  // Told since the plan was frozen, it is worked by itself, and its figures open workings of its own.
  const now = job.pad ? { ...plan, pad: job.pad.lines, workings: job.pad.workings } : plan;
  return (
    <Leaf title={text('page-bench-pad')} open={open} onClose={onClose} wide>
      <WorkingProvider plan={now}>
        <Sums job={job} plan={now} key={job.revision} />
      </WorkingProvider>
    </Leaf>
  );
}

function Sums({ job, plan }: { job: Job; plan: Plan }) {
  const unit = useUnit();
  const change = useChange(job);
  const rules = useRules(true);
  const feeds = useFeeds();
  const kept = useMemo<Draft[]>(
    () =>
      (job.request.pad ?? []).map(s => ({
        name: s.name ?? '',
        kind: s.kind ?? 'half_difference',
        feeds: s.feeds ?? null,
        figures: (s.figures ?? []).map(f => ({ text: typed(f.value, unit), from: f.from ?? null })),
      })),
    [job.request.pad, unit],
  );
  const [sums, setSums, told] = useDraft('pad', kept);
  const [fault, setFault] = useState<string | null>(null);
  const rule = (kind: Kind) => rules.data?.find(r => r.id === `pad.${kind}`);
  const set = (i: number, patch: Partial<Draft>) => setSums(sums.map((s, j) => (j === i ? { ...s, ...patch } : s)));
  const add = (kind: Kind) => {
    const takes = rule(kind)?.takes ?? [];
    setSums([
      ...sums,
      {
        name: `${rule(kind)?.title ?? kind} ${sums.length + 1}`,
        kind,
        feeds: null,
        figures: takes.map(() => ({ text: '', from: null })),
      },
    ]);
  };
  const keep = async () => {
    setFault(null);
    const pad: SumRequest[] = [];
    for (const s of sums) {
      const figures: SumRequest['figures'] = [];
      for (const [i, f] of s.figures.entries()) {
        if (f.from) {
          figures.push({ from: f.from });
          continue;
        }
        const symbol = rule(s.kind)?.takes[i];
        if (symbol?.unit === 'deg') {
          const value = Number(f.text.replace(',', '.'));
          if (f.text.trim() === '' || Number.isNaN(value))
            return setFault(text('pad-number-degrees', { name: s.name, text: f.text, meaning: symbol.meaning }));
          figures.push({ value });
          continue;
        }
        const read = await readLength(f.text, unit);
        if (read.fault !== undefined) return setFault(`${s.name}, ${symbol?.meaning ?? 'figure'}: ${read.fault}`);
        figures.push({ value: read.mm });
      }
      pad.push({ name: s.name.trim(), kind: s.kind, figures, feeds: s.feeds ?? null });
    }
    change.mutate({ request: { pad } as never }, { onSuccess: told, onError: e => setFault(inWords(e)) });
  };
  return (
    <form
      className="bench-pad"
      onSubmit={e => {
        e.preventDefault();
        void keep();
      }}
    >
      <p className="how">{text('pad-small-sums-measured')}</p>
      {sums.map((s, i) => {
        const line = plan.pad?.find(l => l.name === s.name.trim());
        return (
          <fieldset key={i}>
            <legend>{rule(s.kind)?.title ?? s.kind}</legend>
            <label>
              {text('page-called')}
              <input
                value={s.name}
                autoComplete="off"
                onChange={e => {
                  const was = s.name;
                  const now = e.currentTarget.value;
                  setSums(
                    sums.map((o, j) => ({
                      ...(j === i ? { ...o, name: now } : o),
                      figures: (j === i ? s : o).figures.map(f => (f.from === was ? { ...f, from: now } : f)),
                    })),
                  );
                }}
              />
            </label>
            {s.figures.map((f, k) => {
              const says = rule(s.kind)?.takes[k]?.meaning ?? text('pad-figure', { n: k + 1 });
              return (
                <label key={k}>
                  {says}
                  {f.from === null && (
                    <input
                      inputMode="decimal"
                      autoComplete="off"
                      value={f.text}
                      onChange={e =>
                        set(i, {
                          figures: s.figures.map((o, j) => (j === k ? { ...o, text: e.currentTarget.value } : o)),
                        })
                      }
                    />
                  )}
                  {sums.length > 1 && (
                    <select
                      aria-label={text('pad-where-from', { name: s.name, says })}
                      value={f.from ?? ''}
                      onChange={e =>
                        set(i, {
                          figures: s.figures.map((o, j) =>
                            j === k ? { ...o, from: e.currentTarget.value || null } : o,
                          ),
                        })
                      }
                    >
                      <option value="">{text('page-measured')}</option>
                      {sums
                        .filter(o => o !== s)
                        .map(o => (
                          <option key={o.name} value={o.name}>
                            {text('pad-from', { name: o.name })}
                          </option>
                        ))}
                    </select>
                  )}
                </label>
              );
            })}
            <div className="sum-result">
              <span>{text('pad-is')}</span> {line ? <Figure of={line.result} says={s.name} /> : <b>—</b>}
            </div>
            <label>
              {text('pad-feeds')}
              <select
                value={s.feeds ?? ''}
                disabled={job.frozen}
                onChange={e => set(i, { feeds: (e.currentTarget.value || null) as SumRequest['feeds'] })}
              >
                <option value="">{text('page-nothing')}</option>
                {feeds.data?.map(f => (
                  <option key={f.feeds} value={f.feeds}>
                    {f.says}
                  </option>
                ))}
              </select>
            </label>
            <button
              type="button"
              className="act plain"
              onClick={() => setSums(sums.filter((_, j) => j !== i))}
              aria-label={text('pad-strike-out', { name: s.name })}
            >
              {text('page-strike-out')}
            </button>
          </fieldset>
        );
      })}
      {fault && (
        <p className="fault" role="alert">
          {fault}
        </p>
      )}
      <div className="row">
        {KINDS.map(k => (
          <button key={k} type="button" className="choice" disabled={!rules.data} onClick={() => add(k)}>
            {rule(k)?.title ?? k}
          </button>
        ))}
      </div>
      <div className="row">
        <button type="submit" className="act">
          {text('page-work-it-out')}
        </button>
        {job.frozen && <span className="how">{text('pad-cut-begun-sums')}</span>}
        {!job.frozen && plan.pad?.some(l => l.feeds) && (
          <span className="how">
            {text('pad-on-the-card', {
              pad: plan.pad
                .filter(l => l.feeds)
                .map(l =>
                  text('pad-the', {
                    name: l.name,
                    result: figure(l.result, unit),
                    fact: feeds.data?.find(f => f.feeds === l.feeds)?.says ?? '',
                  }),
                )
                .join('; '),
            })}
          </span>
        )}
      </div>
    </form>
  );
}
