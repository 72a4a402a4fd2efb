import type { LatheProfile, PointedPlan } from '../api/client';
import { text } from '../app/voice';

const inUnit = (mm: number, unit: 'mm' | 'in') => (unit === 'in' ? mm / 25.4 : mm);

/** A length as it stands in a field, in the unit the field says it reads: to a millionth of an inch, which is nothing to lose. */
export const typed = (mm: number | null | undefined, unit: 'mm' | 'in') =>
  mm == null ? '' : unit === 'in' ? String(Number(inUnit(mm, unit).toFixed(6))) : String(mm);

/** A length of the plan as an edit of it begins: as a number, whatever way it is shown, so near that setting it again moves nothing. */
export const inField = (length: { value: number }, unit: 'mm' | 'in') =>
  String(Number(inUnit(length.value, unit).toFixed(unit === 'in' ? 5 : 4)));

/** A figure without its unit. */
export const bare = (written: string) => written.replace(/ .*/, '');

/** The beginning of a sentence. */
export const cap = (written: string) => written.charAt(0).toUpperCase() + written.slice(1);

/** The leadscrew of a lathe as its owner told it. */
export const leadscrew = (lathe: LatheProfile) =>
  lathe.leadscrew?.tpi != null
    ? text('parts-leadscrew-tpi', { tpi: lathe.leadscrew.tpi })
    : lathe.leadscrew?.pitch_mm != null
      ? text('parts-leadscrew-mm', { pitch: lathe.leadscrew.pitch_mm })
      : text('parts-leadscrew-not-told');

/** What the half-nut does by the ending followed, never by another: by the dial where that is followed, else as the way of ending says. */
export function nutSays(plan: PointedPlan): string {
  if (plan.setup.ending === 'dial') return plan.gears.dial.says;
  return plan.setup.endings.find(way => way.chosen)?.says ?? plan.gears.dial.says;
}

/** The speed as it is said; a crank has none. */
export const speedSays = ({ setup }: PointedPlan) => setup.speed_rpm?.text ?? setup.speed_says ?? '';

/** Which hand, in a word. */
export const handed = (hand: 'left' | 'right') => text(hand === 'left' ? 'page-left-hand' : 'page-right-hand');

const CLOCK = new Intl.DateTimeFormat('en-GB', {
  day: 'numeric',
  month: 'short',
  hour: '2-digit',
  minute: '2-digit',
});

/** A moment as it is read on the wall: day and time; nothing of what is none. */
export function when(happened: string): string {
  const at = new Date(happened);
  return Number.isNaN(at.getTime()) ? '' : CLOCK.format(at);
}
