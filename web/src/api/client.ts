import createClient from 'openapi-fetch';
import { asked, text } from '../app/voice';
import { came, failed } from '../tablet/away';
import type { components, paths } from './schema';

type Schemas = components['schemas'];
export type Plan = Schemas['Plan'];
export type ChaserSection = Schemas['ChaserSection'];
export type MakersSheet = Schemas['MakersSheet'];

/** What only the plan of a thread cut by a single point has. */
type OfThePoint = 'gears' | 'bit' | 'setup' | 'cut';
export type PointedPlan = Plan & { [K in OfThePoint]: NonNullable<Plan[K]> };
/** The plan of a thread a die or a tap makes. */
export type ChasedPlan = Plan & { chaser: ChaserSection };

/** Whether a die or a tap makes the thread; a plan frozen before there were such has a single point. */
export const isChased = (plan: Plan): plan is ChasedPlan => plan.chaser != null;
export const isPointed = (plan: Plan): plan is PointedPlan => !isChased(plan);
export type Job = Schemas['JobView'];
export type JobLine = Schemas['JobLine'];
export type Quantity = Schemas['Quantity'];
export type Drawing = Schemas['Drawing'];
export type Watch = Schemas['Watch'];
export type Verdict = Schemas['Verdict'];
export type DialSetting = Schemas['DialSetting'];
export type LiveView = Schemas['LiveView'];
export type PointAt = Schemas['PointAt'];
export type Instruments = Schemas['Instruments'];
export type Cable = Schemas['Cable'];
export type LineView = Schemas['LineView'];
export type AxisName = Schemas['AxisName'];
export type Pattern = Schemas['Pattern'];
export type SentView = Schemas['SentView'];
export type RehearsalView = Schemas['RehearsalView'];
export type TaskView = Schemas['TaskView'];
export type NextStep = Schemas['NextStep'];
export type RunState = Schemas['RunState'];
export type ActKind = Schemas['ActKind'];
export type Problem = Schemas['Problem'];
export type PlanRequest = Schemas['PlanRequest'];
export type Rule = Schemas['Rule'];
export type SumRequest = Schemas['SumRequest'];
export type SampleRequest = Schemas['SampleRequest'];
export type Candidate = Schemas['Candidate'];
export type TrainRow = Schemas['TrainRow'];
export type LatheProfile = Schemas['LatheProfile'];
export type LatheView = Schemas['LatheView'];
export type Purchases = Schemas['Purchases'];
export type PartSheet = Schemas['PartSheet'];
export type PartView = Schemas['PartView'];
export type PlateRequest = Schemas['PlateRequest'];
export type PlateRead = Schemas['PlateRead'];
export type SetupSheet = Schemas['SetupSheet'];
export type GrooveSheet = Schemas['GrooveSheet'];
export type GaugeSheet = Schemas['GaugeSheet'];
export type TroubleSheet = Schemas['TroubleSheet'];
export type LogView = Schemas['LogView'];
export type RouteView = Schemas['RouteView'];
export type CardLine = Schemas['CardLine'];
export type BatchView = Schemas['BatchView'];
export type BatchFacts = Schemas['BatchFacts'];
export type Correction = Schemas['Correction'];
export type Drill = Schemas['Drill'];
export type HandAct = Schemas['HandAct'];
export type HandView = Schemas['HandView'];
export type MotionView = Schemas['MotionView'];
export type StretchView = Schemas['StretchView'];
export type TryView = Schemas['TryView'];
export type Papers = Schemas['Papers'];
export type Measured = Schemas['Measured'];
export type CheckLine = Schemas['CheckLine'];
export type BitSheet = Schemas['BitSheet'];
export type Kit = Schemas['Kit'];
export type OwnedBit = Schemas['OwnedBit'];
export type OwnedInsert = Schemas['OwnedInsert'];
export type OwnedBar = Schemas['OwnedBar'];
export type OwnedBlade = Schemas['OwnedBlade'];
export type OwnMaterial = Schemas['OwnMaterial'];
export type Material = Schemas['Material'];
export type WrittenDrawer = Schemas['WrittenDrawer'];

/** Whatever is asked is asked in the unit and the words of the page. */
export const api = createClient<paths>({ querySerializer: query => asked(query as Record<string, unknown>) });

api.use({
  onResponse: ({ response }) => came(response),
  onError: ({ error }) => {
    if (!(error instanceof DOMException && error.name === 'AbortError')) void failed();
  },
});

/** An answer that is a problem, with every faulty field. */
export class Refused extends Error {
  readonly problem: Problem;
  constructor(problem: Problem) {
    super(problem.detail);
    this.problem = problem;
  }
}

/** The data of an answer; throws [`Refused`] for a problem. A dead network throws by itself. */
export function unwrap<T>(answer: { data?: T; error?: unknown }): T {
  if (answer.data !== undefined) return answer.data;
  const problem = answer.error as Partial<Problem> | undefined;
  throw new Refused({ type: '', title: '', status: 0, detail: text('parts-server-gave-answer'), ...problem });
}

/** Every faulty field of a refused request; none where something else went wrong. */
export const faultsOf = (error: unknown): NonNullable<Problem['faults']> =>
  error instanceof Refused ? (error.problem.faults ?? []) : [];

/** What went wrong, in words for the person at the screen. */
export function inWords(error: unknown): string {
  if (error instanceof Refused) return error.problem.detail;
  return text('parts-server-does-answer');
}

/** Whether a die or a tap finishes what the single point cuts: that is then left as planned, and no thread in its limits yet. */
export const leftFor = (plan: Plan) => (plan.run.finished_by ?? 'single_point') !== 'single_point';
