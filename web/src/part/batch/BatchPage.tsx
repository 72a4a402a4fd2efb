import { useState } from 'react';
import { type BatchView, inWords, type Job } from '../../api/client';
import { useBatch, useBeginAgain, useChangeBatch, useTellPart } from '../../api/part';
import { PartFrame } from '../PartFrame';
import { Drifts } from './Drifts';
import { MakeBatch } from './MakeBatch';
import { NextPart } from './NextPart';
import { OrdersLeaf } from './OrdersLeaf';
import { PlainSizes } from './PlainSizes';
import { ScrapLeaf } from './ScrapLeaf';
import { SizeLeaf } from './SizeLeaf';
import { TallyTable } from './TallyTable';
import { text } from '../../app/voice';

/** A batch: its order, its tally, its drift, its next part. */
export function BatchPage() {
  return (
    <PartFrame sheet="batch">
      {(job, plan) => (job.batch == null ? <MakeBatch job={job} plan={plan} /> : <BatchOf job={job} />)}
    </PartFrame>
  );
}

function BatchOf({ job }: { job: Job }) {
  const answer = useBatch(job);
  if (answer.isError && !answer.data)
    return (
      <p className="fault" role="alert">
        {inWords(answer.error)}
      </p>
    );
  if (!answer.data) return <p className="how">{text('batch-counting')}</p>;
  return <Shown job={job} batch={answer.data} />;
}

type Asked =
  { what: 'size' | 'scrap'; row: BatchView['tally']['rows'][number] } | { what: 'orders' | 'plain' } | null;

function Shown({ job, batch }: { job: Job; batch: BatchView }) {
  const [asked, setAsked] = useState<Asked>(null);
  const change = useChangeBatch(job);
  const again = useBeginAgain(job);
  const tell = useTellPart(job);
  const set = (facts: Partial<BatchView['facts']>, told?: () => void) =>
    change.mutate({ facts: { ...batch.facts, ...facts }, revision: batch.revision }, { onSuccess: told });
  const order = batch.orders.find(o => o.across === batch.facts.across) ?? batch.orders.find(o => o.recommended);
  const failed = [change, again, tell].find(m => m.isError);
  const close = () => setAsked(null);
  const plain = batch.facts.plain ?? [];
  return (
    <div className="two-sided batch-page">
      <div className="wide-side">
        <h2>{batch.tally.says}</h2>
        <TallyTable
          batch={batch}
          busy={again.isPending}
          onSize={plain.length > 0 ? row => setAsked({ what: 'size', row }) : undefined}
          onScrap={row => setAsked({ what: 'scrap', row })}
          onAgain={row => again.mutate({ part: row.job })}
        />
        {failed && (
          <p className="fault" role="alert">
            {inWords(failed.error)}
          </p>
        )}
        <div className="row">
          <button type="button" className="act plain" onClick={() => setAsked({ what: 'plain' })}>
            {text('page-plain-sizes')}
          </button>
          <a className="act plain" href={`/api/v1/jobs/${job.id}/batch.csv`} download>
            {text('batch-tally-sheet-csv')}
          </a>
        </div>
        <Drifts columns={batch.tally.columns} />
      </div>
      <aside aria-label={text('batch-what-comes-next')}>
        <NextPart job={job} batch={batch} busy={change.isPending} onLearn={learn => set({ learn })} />
        {order && (
          <>
            <h2>{order.says}</h2>
            <p className="how">
              {text('batch-min-times-into', {
                minutes: order.minutes.toFixed(0),
                chuckings: order.chuckings,
                settings: order.settings,
                saves: order.saves,
              })}
            </p>
          </>
        )}
        <button type="button" className="act plain" onClick={() => setAsked({ what: 'orders' })}>
          {text('batch-orders-across-the-parts')}
        </button>
      </aside>
      <OrdersLeaf
        job={job}
        batch={batch}
        open={asked?.what === 'orders'}
        onClose={close}
        busy={change.isPending}
        onSet={set}
      />
      <PlainSizes
        plain={plain}
        open={asked?.what === 'plain'}
        onClose={close}
        busy={change.isPending}
        fault={change.isError ? inWords(change.error) : null}
        onSet={(list, told) => set({ plain: list }, told)}
      />
      {asked?.what === 'size' && <SizeLeaf row={asked.row} plain={plain} onClose={close} tell={tell} />}
      {asked?.what === 'scrap' && <ScrapLeaf row={asked.row} onClose={close} tell={tell} />}
    </div>
  );
}
