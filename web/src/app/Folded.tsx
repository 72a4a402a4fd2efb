import { type ReactNode, useLayoutEffect, useRef, useState } from 'react';
import { Leaf } from '../parts/Leaf';
import { text } from './voice';

interface FoldedProps {
  about: string;
  /** Heads the leaf that holds the whole. */
  title: string;
  /** Lines it may take. */
  lines: 1 | 2;
  own?: boolean;
  children: ReactNode;
}

/** A sentence kept to a line or two: words that do not stand there are behind a last word that opens the whole. */
export function Folded({ about, title, lines, own, children }: FoldedProps) {
  const shown = useRef<HTMLParagraphElement>(null);
  const [folded, setFolded] = useState(false);
  const [open, setOpen] = useState(false);
  useLayoutEffect(() => {
    const at = shown.current;
    if (!at) return;
    const fold = () => {
      // Judged as it stands with no word after it, or one that once was there would keep itself there.
      const more = at.parentElement?.querySelector<HTMLElement>('.more');
      if (more) more.style.display = 'none';
      const spills = at.scrollHeight > at.clientHeight + 4;
      if (more) more.style.display = '';
      setFolded(spills);
      const end = at.getBoundingClientRect().bottom;
      for (const word of at.querySelectorAll<HTMLElement>('.word')) {
        // What stands on a line too many is out of sight, and so out of the reach of Tab.
        word.style.visibility = spills && word.getBoundingClientRect().top >= end - 4 ? 'hidden' : '';
      }
    };
    fold();
    const sizes = new ResizeObserver(fold);
    sizes.observe(at);
    const words = new MutationObserver(fold);
    words.observe(at, { subtree: true, childList: true, characterData: true });
    void document.fonts.ready.then(fold);
    return () => {
      sizes.disconnect();
      words.disconnect();
    };
  }, []);
  return (
    <div className="folded">
      <p className={`sentence${own ? ' own' : ''}`} aria-label={about} data-lines={lines} ref={shown}>
        {children}
      </p>
      {folded && (
        <button
          type="button"
          className="tool more"
          aria-label={text('frame-whole', { about })}
          onClick={() => setOpen(true)}
        >
          …
        </button>
      )}
      <Leaf title={title} open={open} onClose={() => setOpen(false)}>
        {/* A word that opens a leaf of its own leaves this one. */}
        <p
          className="sentence own"
          onClick={e => {
            const word = (e.target as Element).closest('button.word');
            if (word && !word.hasAttribute('aria-haspopup')) setOpen(false);
          }}
        >
          {children}
        </p>
      </Leaf>
    </div>
  );
}
