import type { ReactNode } from 'react';
import type { DialSetting, LiveView } from '../api/client';
import { text } from '../app/voice';

const CENTRE = 500;
const RADIUS = 620;
const STEP_DEG = 1.75;
/** Divisions shown to either side of the mark. */
export const SHOWN = 30;

/** A point on the collar, degrees from the witness mark. */
function at(deg: number, radius: number): [number, number] {
  const a = ((deg - 90) * Math.PI) / 180;
  return [CENTRE + radius * Math.cos(a), RADIUS + 90 + radius * Math.sin(a)];
}

/** The lines and figures of a collar about the one at the mark. */
export function CollarLines({ stands, of }: { stands: number; of: number }) {
  const start = Math.ceil(stands - SHOWN);
  const lines = Array.from({ length: SHOWN * 2 + 1 }, (_, i) => start + i).filter(n => Math.abs(n - stands) <= SHOWN);
  return lines.map(n => {
    const read = ((n % of) + of) % of;
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
  });
}

/** The figure wanted, marked on the collar, so many divisions from the mark. */
export function Wanted({ left }: { left: number }) {
  const [a, b] = [RADIUS + 6, RADIUS - 70].map(r => at(left * STEP_DEG, r));
  return <line className="wanted" x1={a?.[0]} y1={a?.[1]} x2={b?.[0]} y2={b?.[1]} />;
}

/** A collar in its frame, what is about its mark turned so many divisions on. */
export function CollarFace({ label, children }: { label: string; children: ReactNode }) {
  return (
    <svg className="collar" viewBox="0 0 1000 330" role="img" aria-label={label}>
      <circle cx={CENTRE} cy={RADIUS + 90} r={RADIUS} className="drum" />
      {children}
      <path d={`M ${CENTRE} 90 l -20 -46 h 40 z`} className="witness" />
    </svg>
  );
}

/** What turns the lines by so many divisions. */
export const turned = (divisions: number) => `rotate(${divisions * STEP_DEG} ${CENTRE} ${RADIUS + 90})`;

/**
 * The handwheel collar, magnified, as it will look when set right: the figure wanted at the mark. While a readout sees it, it stands as it
 * does and turns with the hand, the figure wanted marked on it.
 */
export function Collar({ setting, live }: { setting: DialSetting; live: LiveView | null }) {
  const stands = live?.collar ?? setting.divisions;
  // From the mark to the figure wanted, in divisions, whole turns among them.
  const left = live?.to_go?.divisions ?? 0;
  return (
    <CollarFace label={text('parts-collar-set-to', { setting: setting.text })}>
      <CollarLines stands={stands} of={setting.of} />
      {live?.collar != null && Math.abs(left) <= SHOWN && <Wanted left={left} />}
    </CollarFace>
  );
}
