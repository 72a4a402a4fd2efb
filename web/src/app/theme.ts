import { createTheme } from '@mantine/core';

/** Mantine gives behaviour; the face is ours, in look.css. */
export const theme = createTheme({
  fontFamily: 'B612, "Noto Sans Math", sans-serif',
  respectReducedMotion: true,
});
