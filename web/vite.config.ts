import react from '@vitejs/plugin-react';
import { defineConfig } from 'vite';

const target = 'http://127.0.0.1:4720';

export default defineConfig({
  plugins: [react()],
  build: { target: 'es2022', sourcemap: false, chunkSizeWarningLimit: 900 },
  // The server takes changes only from a page of its own, so a page served here speaks in its name.
  server: { proxy: { '/api': { target, changeOrigin: true, headers: { origin: target } } } },
});
