import { Modal } from '@mantine/core';
import { useBlocker } from '@tanstack/react-router';
import type { ReactNode } from 'react';
import { leafClosed } from '../app/keys';
import { text } from '../app/voice';

/** A leaf over the drawing: Esc closes it, and so does Back. */
export function Leaf({
  title,
  open,
  onClose,
  children,
  wide,
}: {
  title: string;
  open: boolean;
  onClose: () => void;
  children: ReactNode;
  wide?: boolean;
}) {
  const close = () => {
    leafClosed();
    onClose();
  };
  useBlocker({
    shouldBlockFn: ({ action }) => {
      if (action !== 'BACK') return false;
      close();
      return true;
    },
    disabled: !open,
    enableBeforeUnload: false,
  });
  return (
    <Modal
      opened={open}
      onClose={close}
      title={title}
      size={wide ? 'min(1080px, 94vw)' : 'min(680px, 94vw)'}
      centered
      transitionProps={{ duration: 0 }}
      closeButtonProps={{ 'aria-label': text('parts-close') }}
    >
      {children}
    </Modal>
  );
}
