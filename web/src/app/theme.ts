import { createTheme } from '@mantine/core';

/** Mantine gives behaviour; the face is ours, in look.css. */
export const theme = createTheme({
  fontFamily: 'var(--face)',
  respectReducedMotion: true,
});
