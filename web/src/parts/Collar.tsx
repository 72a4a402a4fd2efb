import type { DialSetting, LiveView } from '../api/client';
import { text } from '../app/voice';

const CENTRE = 500;
const RADIUS = 620;
const STEP_DEG = 1.75;
const SHOWN = 30;

/** A point on the collar, degrees from the witness mark. */
function at(deg: number, radius: number): [number, number] {
  const a = ((deg - 90) * Math.PI) / 180;
  return [CENTRE + radius * Math.cos(a), RADIUS + 90 + radius * Math.sin(a)];
}

/**
 * The handwheel collar, magnified, as it will look when set right: the figure wanted at the mark. While a readout sees it, it stands as it
 * does and turns with the hand, the figure wanted marked on it.
 */
export function Collar({ setting, live }: { setting: DialSetting; live: LiveView | null }) {
  const stands = live?.collar ?? setting.divisions;
  const start = Math.ceil(stands - SHOWN);
  // From the mark to the figure wanted, in divisions, whole turns among them.
  const left = live?.to_go?.divisions ?? 0;
  const wanted = [RADIUS + 6, RADIUS - 70].map(r => at(left * STEP_DEG, r));
  const lines = Array.from({ length: SHOWN * 2 + 1 }, (_, i) => start + i).filter(n => Math.abs(n - stands) <= SHOWN);
  return (
    <svg
      className="collar"
      viewBox="0 0 1000 330"
      role="img"
      aria-label={text('parts-collar-set-to', { setting: setting.text })}
    >
      <circle cx={CENTRE} cy={RADIUS + 90} r={RADIUS} className="drum" />
      {lines.map(n => {
        const read = ((n % setting.of) + setting.of) % setting.of;
        const long = read % 10 === 0;
        const deg = (n - stands) * STEP_DEG;
        const [x1, y1] = at(deg, RADIUS - 2);
        const [x2, y2] = at(deg, RADIUS - (long ? 54 : read % 5 === 0 ? 40 : 26));
        const [tx, ty] = at(deg, RADIUS - 84);
        return (
          <g key={n}>
            <line x1={x1} y1={y1} x2={x2} y2={y2} className={long ? 'long' : ''} />
            {long && (
              <text x={tx} y={ty + 12} textAnchor="middle">
                {read}
              </text>
            )}
          </g>
        );
      })}
      {live?.collar != null && Math.abs(left) <= SHOWN && (
        <line className="wanted" x1={wanted[0]?.[0]} y1={wanted[0]?.[1]} x2={wanted[1]?.[0]} y2={wanted[1]?.[1]} />
      )}
      <path d={`M ${CENTRE} 90 l -20 -46 h 40 z`} className="witness" />
    </svg>
  );
}
