import { readFileSync } from 'node:fs';
import { svelte } from '@sveltejs/vite-plugin-svelte';
import { svelteTesting } from '@testing-library/svelte/vite';
import tailwindcss from '@tailwindcss/vite';
import { compression, defineAlgorithm } from 'vite-plugin-compression2';
import { VitePWA } from 'vite-plugin-pwa';
import type { Plugin } from 'vite';
import { defineConfig } from 'vitest/config';

/** The letters of the page come with it: text that changes its letters later would jump. */
function lettersFirst(): Plugin {
  return {
    name: 'letters-first',
    transformIndexHtml: (_, { bundle }) =>
      Object.keys(bundle ?? {})
        .filter((file) => /letters-.*\.woff2$/.test(file))
        .map((file) => ({
          tag: 'link',
          injectTo: 'head' as const,
          attrs: {
            rel: 'preload',
            href: `/${file}`,
            as: 'font',
            type: 'font/woff2',
            crossorigin: '',
          },
        })),
  };
}

/**
 * What is to be done before anything else stands in the page itself: no journey of its own. A meta
 * element tells it which files each place takes, so that they come together with the page's own
 * and not after them.
 */
function firstInPage(): Plugin {
  return {
    name: 'first-in-page',
    transformIndexHtml: {
      order: 'post',
      handler(html, { bundle, chunk }) {
        const files: Record<string, string[]> = {};
        for (const file of chunk?.dynamicImports ?? []) {
          const part = bundle?.[file];
          const folder = part?.type === 'chunk' && part.facadeModuleId?.split('/').at(-2);
          if (folder)
            files[folder] = [file, ...part.imports.filter((one) => !chunk?.imports.includes(one))]
              .filter((one) => one !== chunk?.fileName)
              .map((one) => '/' + one);
        }
        const told = JSON.stringify(files).replaceAll('"', '&quot;');
        const first = readFileSync('first.js', 'utf8');
        return html.replace(
          '</title>',
          () =>
            `</title>\n    <meta name="umberline-places" content="${told}" />\n    <script>\n${first}</script>`,
        );
      },
    },
  };
}

export default defineConfig({
  plugins: [
    lettersFirst(),
    firstInPage(),
    tailwindcss(),
    svelte(),
    svelteTesting(),
    // the server sends these to whoever can read them
    compression({
      include: /\.(js|css)$/,
      threshold: 1000,
      algorithms: [defineAlgorithm('brotliCompress', {})],
    }),
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
  build: {
    target: 'es2022',
    modulePreload: { polyfill: false },
    rolldownOptions: {
      output: {
        // what several places take comes in one file: each small one would be a journey of its own;
        // what draws is not needed before there is something to read
        codeSplitting: {
          groups: [
            { name: 'drawing', test: /node_modules[\\/](d3-|internmap)/, priority: 1 },
            { name: 'shared', minShareCount: 3 },
          ],
        },
      },
    },
  },
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
