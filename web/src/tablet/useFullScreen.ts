import { useFullscreenDocument, useMediaQuery } from '@mantine/hooks';

/** Takes the whole of a screen that is touched; nothing where it has it already, or may not. A desk has a key for that. */
export function useFullScreen(): (() => void) | null {
  const coarse = useMediaQuery('(pointer: coarse)', false, { getInitialValueInEffect: false });
  const { toggle, fullscreen } = useFullscreenDocument();
  return coarse && !fullscreen && document.fullscreenEnabled ? () => void toggle() : null;
}
