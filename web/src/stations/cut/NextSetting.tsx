import type { LiveView, NextStep, PointedPlan } from '../../api/client';
import { Collar } from '../../parts/Collar';
import { text } from '../../app/voice';

/** The compound with its angle as its own scale shows it; a plan frozen by an older version has only the angle from the cross-slide. */
const compound = ({ cut }: PointedPlan) =>
  (cut.scale_deg as number | undefined) !== undefined
    ? text('setting-compound-at', { angle: cut.scale_deg })
    : text('setting-compound-leaned', { angle: cut.angle_deg });

/** The next setting, read from two steps away: on the readout its figure alone, else turns and divisions over the collar drawn as it will look. */
export function NextSetting({
  plan,
  next,
  live,
}: {
  plan: PointedPlan;
  next: NextStep;
  /** What a readout sees of the dial. */
  live: LiveView | null;
}) {
  const { setting, aside } = next;
  const slide = setting.slide === 'compound' ? compound(plan) : text('setting-cross-slide');
  const readout = plan.cut.dial.read_by === 'readout';
  const step = aside && (
    <p className="aside">
      {text(aside.ahead ? 'setting-aside-toward' : 'setting-aside-away', { setting: aside.setting.text })}
    </p>
  );
  if (readout) {
    return (
      <div className="set-on-readout">
        <p className="setting" data-pass={next.pass.n}>
          <b className="readout-figure">{setting.reading}</b>
          <span className="unit">
            <small>{text('setting-readout', { slide })}</small>
          </span>
        </p>
        {step}
      </div>
    );
  }
  return (
    <>
      <div>
        <p className="setting" data-pass={next.pass.n}>
          {setting.turns > 0 && (
            <span className="turns">
              {text(setting.turns === 1 ? 'setting-one-turn' : 'setting-some-turns', { n: setting.turns })}
            </span>
          )}
          <b>{setting.figure ?? setting.divisions}</b>
          <span className="unit">
            {text('setting-div')}
            <small>{plan.cut.dial.read_by === 'indicator' ? text('setting-indicator', { slide }) : slide}</small>
            <small>{setting.reading}</small>
          </span>
        </p>
        {step}
      </div>
      <Collar setting={setting} live={live} />
    </>
  );
}
