import { Link } from '@tanstack/react-router';
import type { ReactNode } from 'react';
import { Tools } from './Tools';
import { text } from './voice';

/** The head of a screen: the way home, what it is about, the tools. */
export function Head({ children, unit, onUnit }: { children: ReactNode; unit?: 'mm' | 'in'; onUnit?: () => void }) {
  return (
    <header className="head">
      <Link to="/" aria-label={text('frame-the-job-board')} className="home">
        <img className="mark" src="/mark.svg" alt="" />
      </Link>
      {children}
      <Tools {...(unit && onUnit ? { unit, onUnit } : {})} />
    </header>
  );
}
