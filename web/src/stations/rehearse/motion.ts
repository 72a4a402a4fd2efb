/** Where everything stands at a time: read off the stretches the core sent, between which everything moves evenly. */
import type { MotionView, StretchView } from '../../api/client';

type Even = StretchView['along_mm'];
type Act = MotionView['acts'][number];

/** Where the point and the dial stand. */
export interface Placed {
  along: number;
  depth: number;
  counted: number;
  /** What the cross-slide's dial shows, mm. */
  cross: number;
}

const even = (e: Even, s: number): Even => ({
  at: e.at + s * (e.rate + (s * e.change) / 2),
  rate: e.rate + s * e.change,
  change: e.change,
});

const still = (at: number): Even => ({ at, rate: 0, change: 0 });

/** The stretch that holds at a time. */
function during(stretches: readonly StretchView[], s: number): StretchView | undefined {
  const after = stretches.findIndex(stretch => stretch.from_s > s);
  return stretches.at(after < 0 ? -1 : Math.max(0, after - 1));
}

/** Where everything stands so many seconds after a try began; before that, as it begins. */
export function placed(stretches: readonly StretchView[], s: number): Placed | null {
  const stretch = during(stretches, s);
  if (!stretch) return null;
  const since = Math.max(0, s - stretch.from_s);
  const at = (e: Even) => even(e, since).at;
  return {
    along: at(stretch.along_mm),
    depth: at(stretch.depth_mm),
    counted: at(stretch.counted),
    cross: at(stretch.cross_mm),
  };
}

/** The motion as a key leaves it, by what the core said it does: shown until the core has answered. */
export function pressed(stretches: readonly StretchView[], s: number, act: Act): StretchView[] {
  const stretch = during(stretches, s);
  if (!stretch) return [];
  const since = Math.max(0, s - stretch.from_s);
  const along = even(stretch.along_mm, since);
  const depth = even(stretch.depth_mm, since);
  const cross = even(stretch.cross_mm, since);
  // The cross-slide carries the tool as it is wound.
  const feeds = act.out_mm_s > 0 ? -act.out_mm_s : act.in_mm_s;
  const fed = (e: Even) => (act.holds ? still(e.at) : feeds !== 0 ? { ...e, rate: feeds } : e);
  const slowed = { ...along, change: -Math.sign(along.rate) * act.slows_mm_s2 };
  const now: StretchView = {
    from_s: s,
    along_mm: act.stops ? still(along.at) : act.slows_mm_s2 > 0 ? slowed : along,
    depth_mm: fed(depth),
    cross_mm: fed(cross),
    spindle: even(stretch.spindle, since),
    counted: even(stretch.counted, since),
  };
  const before = stretches.filter(one => one.from_s < s);
  if (act.stops || act.slows_mm_s2 <= 0) return [...before, now];
  const rests = Math.abs(along.rate) / act.slows_mm_s2;
  return [...before, now, { ...now, from_s: s + rests, along_mm: still(even(slowed, rests).at) }];
}

/** When the bit has come to rest after a time, seconds after the try began; the end of all where it never does. */
export function restsAt(stretches: readonly StretchView[], after: number): number {
  const rests = (s: StretchView) => [s.along_mm, s.depth_mm].every(e => e.rate === 0 && e.change === 0);
  return (stretches.find(s => s.from_s >= after && rests(s)) ?? stretches.at(-1))?.from_s ?? after;
}
