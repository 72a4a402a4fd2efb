import react from '@vitejs/plugin-react';
import { defineConfig } from 'vite';
import { VitePWA } from 'vite-plugin-pwa';

const target = 'http://127.0.0.1:4720';

export default defineConfig({
  plugins: [
    react(),
    // What a tablet keeps of the app: page, scripts, styles and faces, by the worker in src/tablet.
    VitePWA({
      strategies: 'injectManifest',
      srcDir: 'src/tablet',
      filename: 'sw.ts',
      injectRegister: false,
      manifestFilename: 'manifest.webmanifest',
      useCredentials: true,
      injectManifest: { globPatterns: ['**/*.{js,css,html,svg,png,woff2}'] },
      manifest: {
        id: '/',
        name: 'Yoke Turn',
        short_name: 'Yoke Turn',
        description: 'From a callout to a measured thread on a manual lathe',
        start_url: '/',
        display: 'standalone',
        background_color: '#e7ece6',
        theme_color: '#274b43',
        icons: [
          { src: '/mark.svg', sizes: 'any', type: 'image/svg+xml' },
          { src: '/icon-192.png', sizes: '192x192', type: 'image/png' },
          { src: '/icon-512.png', sizes: '512x512', type: 'image/png' },
          { src: '/icon-512.png', sizes: '512x512', type: 'image/png', purpose: 'maskable' },
        ],
      },
    }),
  ],
  build: { target: 'es2022', sourcemap: false, chunkSizeWarningLimit: 900 },
  // The server takes changes only from a page of its own, so a page served here speaks in its name.
  server: { proxy: { '/api': { target, changeOrigin: true, headers: { origin: target } } } },
});
