import { spoken, text } from '../app/voice';
import { VisuallyHidden } from '@mantine/core';
import { Link, useNavigate, useParams } from '@tanstack/react-router';
import { type ComponentType, useEffect } from 'react';
import { type ChasedPlan, inWords, isChased, isPointed, type Job, type Plan, type PointedPlan } from '../api/client';
import { useJob } from '../api/hooks';
import { Bed } from '../app/Bed';
import { Sentence } from '../app/Sentence';
import { useSettings, useShownIn } from '../app/Settings';
import { Head } from '../app/Head';
import { Slash } from '../app/Slash';
import { useKeys } from '../app/keys';
import { isStation, STATIONS, type StationId } from '../app/stations';
import { onNoLathe } from '../app/lathe';
import { SHEETS } from '../part/PartFrame';
import { AlsoHere } from '../parts/AlsoHere';
import { NoLathe } from '../parts/NoLathe';
import { UnitContext } from '../parts/unit';
import { WorkingProvider } from '../parts/Working';
import { BitStation } from './bit/BitStation';
import { BlankStation } from './blank/BlankStation';
import { ChaserBlank } from './chaser/ChaserBlank';
import { ChaserCut } from './chaser/ChaserCut';
import { ChaserSetup } from './chaser/ChaserSetup';
import { NotAsked } from './chaser/NotAsked';
import { CutStation } from './cut/CutStation';
import { GaugeStation } from './gauge/GaugeStation';
import { GearsStation } from './gears/GearsStation';
import { LogStation } from './log/LogStation';
import { NothingToRehearse } from './rehearse/NothingToRehearse';
import { RehearseStation } from './rehearse/RehearseStation';
import { SetupStation } from './setup/SetupStation';
import { SampleSheet } from './thread/SampleSheet';
import { ThreadStation } from './thread/ThreadStation';

export interface StationProps {
  job: Job;
  plan: Plan;
}

/** A station of a thread cut by a single point. */
export interface PointedProps extends StationProps {
  plan: PointedPlan;
}

/** A station of a thread a die or a tap makes. */
export interface ChasedProps extends StationProps {
  plan: ChasedPlan;
}

const CHASED: Record<StationId, ComponentType<ChasedProps>> = {
  thread: ThreadStation,
  blank: ChaserBlank,
  gears: NotAsked,
  bit: NotAsked,
  setup: ChaserSetup,
  cut: ChaserCut,
  gauge: GaugeStation,
  log: LogStation,
  rehearse: NothingToRehearse,
};

const PAGES: Record<StationId, ComponentType<PointedProps>> = {
  thread: ThreadStation,
  blank: BlankStation,
  gears: GearsStation,
  bit: BitStation,
  setup: SetupStation,
  cut: CutStation,
  gauge: GaugeStation,
  log: LogStation,
  rehearse: RehearseStation,
};

/** Stations that speak of a lathe alone. */
const OF_A_LATHE = new Set<StationId>(['gears', 'setup', 'cut', 'rehearse']);

/** Facts that may be told after the first pass, as they are said. */
const LATER = spoken<[string, string][]>(() => [
  ['/pad', text('station-sums-bench-pad')],
  ['/gauge/mate_at_hand', text('station-whether-mate-hand')],
  ['/blank/beyond_mm', text('station-stands-beyond-end')],
  ['/words', text('station-words-shop')],
]);

/** A job at one of its stations. */
export function JobPage() {
  const params = useParams({ strict: false });
  const id = params.id ?? '';
  const station: StationId = params.station && isStation(params.station) ? params.station : 'thread';
  const job = useJob(id);
  const navigate = useNavigate();
  const settings = useSettings();
  const plan = job.data?.plan ?? null;
  const unit = useShownIn(plan);
  const at = STATIONS().findIndex(s => s.id === station);
  const go = (index: number) => {
    const to = STATIONS()[index];
    if (to) void navigate({ to: '/jobs/$id/$station', params: { id, station: to.id } });
  };
  useKeys({
    // There digits are marks of the dial.
    ...(station === 'rehearse'
      ? {}
      : { station: (e: KeyboardEvent) => go(Number(e.key) - 1), rehearse: () => go(STATIONS().length - 1) }),
    move: e => go(at + (e.key === 'ArrowLeft' ? -1 : 1)),
    lathe: () => void navigate({ to: '/jobs/$id/at-the-lathe', params: { id } }),
    ...Object.fromEntries(
      SHEETS().map(s => [s.id, () => void navigate({ to: `/jobs/$id/${s.id}`, params: { id } })]),
    ),
    working: () => document.querySelector<HTMLElement>('.carry .opens')?.click(),
  });
  const asked = job.data?.request;
  const sought = Boolean(asked?.sample && !asked.thread?.callout && !asked.thread?.special);
  const title = job.data?.title;
  useEffect(() => {
    if (title) document.title = `${title}: ${STATIONS()[at]?.name ?? ''}`;
  }, [title, at]);
  const changed = [
    ...new Set(job.data?.changed_since.map(at => LATER().find(([field]) => at.startsWith(field))?.[1] ?? at)),
  ].join(', ');
  const Chased = CHASED[station];
  const Station = PAGES[station];
  return (
    <UnitContext value={unit}>
      <div className="shell">
        <Head unit={unit} onUnit={() => settings.setUnit(unit === 'mm' ? 'in' : 'mm')}>
          {job.data && plan ? <Sentence job={job.data} plan={plan} /> : <p className="sentence">{job.data?.title}</p>}
        </Head>
        <main className="station-main" data-station={station}>
          <VisuallyHidden>
            <h1>{`${STATIONS()[at]?.name ?? ''}: ${job.data?.title ?? ''}`}</h1>
          </VisuallyHidden>
          <p className="print-only print-title">{`${job.data?.title ?? ''}: ${STATIONS()[at]?.name ?? ''}`}</p>
          {job.isError && (
            <div className="lost" role="alert">
              <p className="fault">{inWords(job.error)}</p>
              <Link to="/" className="act as-link">
                {text('lathe-job-board')}
              </Link>
            </div>
          )}
          <AlsoHere job={id} />
          {changed && (
            <p className="changed" role="note">
              {text('station-told-since-plan', { changed })}
            </p>
          )}
          {job.data?.frozen_by && (
            <p className="changed" role="note">
              {job.data.frozen_by}
            </p>
          )}
          {job.data?.as_stored && (
            <p className="changed" role="note">
              {text('station-plan-stands-unit')}
            </p>
          )}
          {job.data && !plan && sought && <SampleSheet job={job.data} />}
          {job.data && !plan && !sought && (
            <div role="alert">
              {job.data.faults.map(f => (
                <p key={f.pointer} className="fault">
                  {f.detail}
                </p>
              ))}
            </div>
          )}
          {job.data && plan && (
            <WorkingProvider plan={plan} key={station}>
              {isChased(plan) ? (
                <Chased job={job.data} plan={plan} />
              ) : !isPointed(plan) ? null : onNoLathe(job.data) && OF_A_LATHE.has(station) ? (
                <NoLathe job={job.data} plan={plan} />
              ) : (
                <Station job={job.data} plan={plan} />
              )}
            </WorkingProvider>
          )}
        </main>
        <Bed job={id} open={station} plan={plan} />
        <Slash />
      </div>
    </UnitContext>
  );
}
