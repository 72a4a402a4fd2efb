import { useEffect, useRef, useState } from 'react';
import type { MotionView } from '../../api/client';
import { Lines, Outline } from '../../drawing/Outline';
import { text } from '../../app/voice';
import { CollarFace, CollarLines, SHOWN, turned, Wanted } from '../../parts/Collar';
import type { Placed } from './motion';

/** Between two looks where motion is to be kept from the eye, ms. */
const SELDOM_MS = 250;

/** Calls back before every frame, or seldom where motion is not wanted. */
function useFrames(each: (now: number) => void, running: boolean) {
  const last = useRef(each);
  useEffect(() => {
    last.current = each;
  });
  useEffect(() => {
    if (!running) {
      last.current(performance.now());
      return;
    }
    if (window.matchMedia('(prefers-reduced-motion: reduce)').matches) {
      const timer = setInterval(() => last.current(performance.now()), SELDOM_MS);
      return () => clearInterval(timer);
    }
    let frame = requestAnimationFrame(function draw(now) {
      last.current(now);
      frame = requestAnimationFrame(draw);
    });
    return () => cancelAnimationFrame(frame);
  }, [running]);
}

interface StageProps {
  motion: MotionView;
  /** Where everything stands at a time of the page. */
  where: (now: number) => Placed | null;
  running: boolean;
}

/** The lathe from above near the mark: the work stands, the bit moves over it. */
export function Stage({ motion, where, running }: StageProps) {
  const bit = useRef<SVGGElement>(null);
  const { stage } = motion;
  const [left = 0, bottom = 0, right = 1, top = 1] = stage.drawing.bounds;
  useFrames(now => {
    const at = where(now);
    if (!at) return;
    bit.current?.setAttribute('transform', `translate(${at.along} ${-(stage.crest_mm + stage.inward * at.depth)})`);
  }, running);
  return (
    <div className="stage">
      <Outline drawing={stage.drawing} />
      <svg
        viewBox={`${left} ${-top} ${right - left} ${top - bottom}`}
        aria-hidden="true"
        preserveAspectRatio="xMidYMid meet"
      >
        <g ref={bit}>
          <Lines drawing={{ shapes: stage.bit }} />
        </g>
      </svg>
    </div>
  );
}

/** Marks that are all named. */
const NAMED = 8;

/** The threading dial, its marks coming round to the line. */
function TurningDial({ motion, where, running }: StageProps) {
  const face = useRef<SVGGElement>(null);
  useFrames(now => {
    const at = where(now);
    if (!at || !motion.dial) return;
    const [teeth = 1] = motion.dial;
    face.current?.setAttribute('transform', `rotate(${(-360 * at.counted) / teeth})`);
  }, running);
  if (!motion.dial) return null;
  const [, marks = 0] = motion.dial;
  const every = motion.every;
  // Where marks stand close only those that serve are named.
  const few = marks <= NAMED;
  return (
    <figure className="turning-dial">
      <svg viewBox="-110 -122 220 232" role="img" aria-label={text('rehearse-dial-says', { marks: String(marks) })}>
        <circle r="100" className="shape dial-plate" />
        <g ref={face}>
          {Array.from({ length: marks }, (_, i) => {
            const serves = every != null && i % every === 0;
            return (
              <g key={i} transform={`rotate(${(360 * i) / marks})`} className={serves ? 'serves' : undefined}>
                <line y1="-98" y2={serves ? -66 : -80} />
                {(few || (serves && every !== 1) || i % 4 === 0) && (
                  <text y="-44" textAnchor="middle">
                    {i + 1}
                  </text>
                )}
              </g>
            );
          })}
        </g>
        <path d="M 0 -100 l -9 -20 h 18 z" className="witness" />
      </svg>
    </figure>
  );
}

/** So far the lines are turned before they are drawn anew, divisions. */
const REDRAWN = 6;

/** The collar of the cross-slide as it is wound, the figure wanted marked on it. */
function WoundCollar({ motion, where, running }: StageProps) {
  const lines = useRef<SVGGElement>(null);
  const { collar } = motion;
  const stands = (now: number) => (where(now)?.cross ?? 0) / (collar?.division_mm ?? 1);
  const [drawn, setDrawn] = useState(() => Math.round(stands(performance.now())));
  useFrames(now => {
    const at = stands(now);
    if (Math.abs(at - drawn) > REDRAWN) setDrawn(Math.round(at));
    lines.current?.setAttribute('transform', turned(drawn - at));
  }, running);
  if (!collar) return null;
  const left = collar.wanted - drawn;
  return (
    <figure className="wound-collar">
      <CollarFace label={collar.says}>
        <g ref={lines}>
          <CollarLines stands={drawn} of={collar.of} />
          {Math.abs(left) <= SHOWN && <Wanted left={left} />}
        </g>
      </CollarFace>
      <figcaption>{collar.says}</figcaption>
    </figure>
  );
}

/** What of the lathe is watched beside the tool: the dial where a mark is caught, the collar where a slide is wound. */
export function Watched(props: StageProps) {
  const { catches, collar } = props.motion;
  if (!catches && !collar) return null;
  return (
    <div className={catches && collar ? 'watched both' : 'watched'}>
      {catches && <TurningDial {...props} />}
      {collar && <WoundCollar {...props} />}
    </div>
  );
}
