import type { NextStep, Plan } from '../../api/client';
import { Collar } from '../../parts/Collar';
import { say } from '../../app/voice';

/** The compound's angle as its own scale shows it; a plan frozen by an older version has only the angle from the cross-slide. */
const bearing = ({ cut }: Plan) =>
  (cut.scale_deg as number | undefined) !== undefined ? `at ${cut.scale_deg}° on its scale` : `${cut.angle_deg}°`;

/** The next setting, read from two steps away: on the readout its figure alone, else turns and divisions over the collar drawn as it will look. */
export function NextSetting({ plan, next }: { plan: Plan; next: NextStep }) {
  const { setting, aside } = next;
  const slide = setting.slide === 'compound' ? say(`{compound}, ${bearing(plan)}`) : 'cross-slide';
  const readout = plan.cut.dial.read_by === 'readout';
  const step = aside && (
    <p className="aside">
      {say('{Compound} along the bed:')} {aside.setting.text} {aside.ahead ? 'toward' : 'away from'} where it is going
    </p>
  );
  if (readout) {
    return (
      <div className="set-on-readout">
        <p className="setting" data-pass={next.pass.n}>
          <b className="readout-figure">{setting.reading}</b>
          <span className="unit">
            <small>readout, {slide}</small>
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
              {setting.turns} {setting.turns === 1 ? 'turn' : 'turns'} +
            </span>
          )}
          <b>{setting.divisions}</b>
          <span className="unit">
            div
            <small>{plan.cut.dial.read_by === 'indicator' ? `indicator on the ${slide}` : slide}</small>
            <small>{setting.reading}</small>
          </span>
        </p>
        {step}
      </div>
      <Collar setting={setting} />
    </>
  );
}
