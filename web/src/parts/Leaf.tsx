import { Modal } from '@mantine/core';
import type { ReactNode } from 'react';
import { leafClosed } from '../app/keys';

/** A leaf over the drawing: Esc closes it. */
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
  return (
    <Modal
      opened={open}
      onClose={() => {
        leafClosed();
        onClose();
      }}
      title={title}
      size={wide ? 'min(1080px, 94vw)' : 'min(680px, 94vw)'}
      centered
      transitionProps={{ duration: 0 }}
      closeButtonProps={{ 'aria-label': 'Close' }}
    >
      {children}
    </Modal>
  );
}
