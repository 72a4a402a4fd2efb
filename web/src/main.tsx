import '@mantine/core/styles/baseline.css';
import '@mantine/core/styles/default-css-variables.css';
import '@mantine/core/styles/global.css';
import '@mantine/core/styles/UnstyledButton.css';
import '@mantine/core/styles/VisuallyHidden.css';
import '@mantine/core/styles/Paper.css';
import '@mantine/core/styles/Popover.css';
import '@mantine/core/styles/CloseButton.css';
import '@mantine/core/styles/Overlay.css';
import '@mantine/core/styles/ModalBase.css';
import '@mantine/core/styles/Modal.css';
import '@mantine/core/styles/Input.css';
import './app/faces.css';
import './app/look.css';
import './app/shell.css';
import './app/print.css';
import './parts/parts.css';
import './drawing/drawing.css';
import './board/board.css';
import './stations/stations.css';
import './stations/setup/setup.css';
import './stations/cut/cut.css';
import './pad/pad.css';
import './shop/shop.css';
import './tablet/tablet.css';
import { MantineProvider } from '@mantine/core';
import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { RouterProvider } from '@tanstack/react-router';
import { setNonce } from 'get-nonce';
import { StrictMode } from 'react';
import { createRoot } from 'react-dom/client';
import { Settings } from './app/Settings';
import { fetchTheRest, router } from './app/router';
import { theme } from './app/theme';
import { learnWords } from './app/voice';
import { know } from './tablet/know';
import { keepHere } from './tablet/newer';

// What is asked is asked whatever the browser thinks of the network: what it said last is kept beside it.
const queries = new QueryClient({
  defaultOptions: {
    queries: { retry: 1, refetchOnWindowFocus: false, networkMode: 'always' },
    mutations: { networkMode: 'always' },
  },
});
const nonce = document.querySelector<HTMLMetaElement>('meta[name="csp-nonce"]')?.content;
// Leaves hold the page still with a style of their own, which the policy lets in by the same nonce.
if (nonce) setNonce(nonce);
const root = document.getElementById('root');

if (root) {
  await learnWords();
  createRoot(root).render(
    <StrictMode>
      <MantineProvider theme={theme} defaultColorScheme="auto" getStyleNonce={() => nonce ?? ''}>
        <QueryClientProvider client={queries}>
          <Settings>
            <RouterProvider router={router} />
          </Settings>
        </QueryClientProvider>
      </MantineProvider>
    </StrictMode>,
  );
  // A chunk that does not come is asked for again when its page is opened.
  requestIdleCallback(() => void fetchTheRest().catch(() => undefined));
  void keepHere(() => void know(queries));
}
