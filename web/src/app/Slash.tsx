import { useState } from 'react';
import { Leaf } from '../parts/Leaf';
import { TypeAndGo } from './TypeAndGo';
import { useKeys } from './keys';
import { text } from './voice';

/** From anywhere, `/` takes a callout. */
export function Slash() {
  const [open, setOpen] = useState(false);
  useKeys({
    callout: e => {
      e.preventDefault();
      setOpen(true);
    },
  });
  return (
    <Leaf title={text('frame-type-a-callout')} open={open} onClose={() => setOpen(false)} wide>
      <TypeAndGo autoFocus onGone={() => setOpen(false)} />
    </Leaf>
  );
}
