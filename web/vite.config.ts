import { svelte } from '@sveltejs/vite-plugin-svelte';
import { svelteTesting } from '@testing-library/svelte/vite';
import tailwindcss from '@tailwindcss/vite';
import { VitePWA } from 'vite-plugin-pwa';
import { defineConfig } from 'vitest/config';

export default defineConfig({
  plugins: [
    tailwindcss(),
    svelte(),
    svelteTesting(),
    VitePWA({
      registerType: 'autoUpdate',
      injectRegister: null,
      filename: 'worker.js',
      manifestFilename: 'umberline.webmanifest',
      manifest: {
        name: 'Umberline',
        short_name: 'Umberline',
        description: 'Where the water of your tanks stands against your line',
        theme_color: '#f7f3ea',
        background_color: '#f7f3ea',
        display: 'standalone',
        start_url: '/',
        icons: [
          { src: '/icon.svg', sizes: 'any', type: 'image/svg+xml' },
          { src: '/icon-192.png', sizes: '192x192', type: 'image/png' },
          { src: '/icon-512.png', sizes: '512x512', type: 'image/png' },
        ],
      },
      workbox: {
        // the page alone: what the server answered is kept by the page itself
        globPatterns: ['**/*.{js,css,html,svg,png,woff2}'],
        navigateFallback: '/index.html',
        navigateFallbackDenylist: [/^\/api\//, /^\/actuator\//],
        inlineWorkboxRuntime: true,
        sourcemap: false,
      },
    }),
  ],
  build: { target: 'es2022', modulePreload: { polyfill: false } },
  // the guide stands in docs/guide
  server: { proxy: { '/api': 'http://127.0.0.1:8470' }, fs: { allow: ['..'] } },
  test: {
    environment: 'jsdom',
    setupFiles: ['./src/test-setup.ts'],
    // a document for each file would take four fifths of the time
    pool: 'threads',
    isolate: false,
  },
});
