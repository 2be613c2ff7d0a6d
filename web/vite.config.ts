import { readFileSync } from 'node:fs';
import { svelte } from '@sveltejs/vite-plugin-svelte';
import { svelteTesting } from '@testing-library/svelte/vite';
import tailwindcss from '@tailwindcss/vite';
import { compression, defineAlgorithm } from 'vite-plugin-compression2';
import { VitePWA } from 'vite-plugin-pwa';
import { marked } from 'marked';
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
        const icon = readFileSync('public/icon.svg', 'base64');
        return html
          .replace('/icon.svg', `data:image/svg+xml;base64,${icon}`)
          .replace(
            '</title>',
            () =>
              `</title>\n    <meta name="umberline-places" content="${told}" />\n    <script>\n${first}</script>`,
          );
      },
    },
  };
}

/** The guide comes as HTML: what reads Markdown would be more to fetch than the guide is. */
function guideAsHtml(): Plugin {
  return {
    name: 'guide-as-html',
    transform: (text, id) =>
      id.endsWith('.md')
        ? {
            code: `export default ${JSON.stringify(marked.parse(text, { async: false }))}`,
            map: null,
          }
        : undefined,
  };
}

export default defineConfig({
  plugins: [
    guideAsHtml(),
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
      // told to the browser by the page when there is something to read
      manifest: false,
      workbox: {
        // the page alone: what the server answered is kept by the page itself
        globPatterns: ['**/*.{js,css,html,svg,png,woff2,webmanifest}'],
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
    // all styles together are smaller than the journey a second file takes
    cssCodeSplit: false,
    rolldownOptions: {
      output: {
        // what several places take comes in one file: each small one would be a journey of its own;
        // what draws is not needed before there is something to read
        codeSplitting: {
          groups: [
            { name: 'drawing', test: /node_modules[\\/](d3-|internmap)/, priority: 1 },
            { name: 'svelte', test: /node_modules[\\/]svelte[\\/]/, priority: 1 },
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
