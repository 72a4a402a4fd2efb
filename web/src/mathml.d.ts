import type { DetailedHTMLProps, HTMLAttributes } from 'react';

type Math = DetailedHTMLProps<HTMLAttributes<MathMLElement>, MathMLElement>;

// React renders MathML; its types do not name it.
declare module 'react' {
  namespace JSX {
    interface IntrinsicElements {
      math: Math;
      mfrac: Math;
      mi: Math;
      mn: Math;
      mo: Math & { stretchy?: string; separator?: string };
      mroot: Math;
      mrow: Math;
      mspace: Math & { width?: string };
      msqrt: Math;
      msup: Math;
      mtext: Math;
    }
  }
}
