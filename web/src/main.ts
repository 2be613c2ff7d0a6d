import '@fontsource-variable/atkinson-hyperlegible-next/wght.css';
import '@fontsource-variable/fraunces/wght.css';
import './letters/letters.css';
import './app.css';
import { mount } from 'svelte';
import App from './App.svelte';
import { keepPresses } from './lib/press';

/** Chosen: the sentence, the picture and its past are there by then on a slow line. */
const AFTER_THE_ANSWER_MS = 3000;

const asked = [...(window.umberlineAsked?.values() ?? [])];
const target = document.getElementById('page');
if (target) mount(App, { target });
keepPresses(document);

// A part of an older page that is no longer there: the newer page has it.
addEventListener('vite:preloadError', () => location.reload());

// With the page's own files at hand it opens without a connection, and may be put beside other
// applications. That is for when there is something to read: on a slow line it would come first.
void Promise.allSettled(asked).then(() =>
  setTimeout(() => {
    const manifest = document.createElement('link');
    manifest.rel = 'manifest';
    manifest.href = '/umberline.webmanifest';
    document.head.append(manifest);
    if (import.meta.env.PROD && 'serviceWorker' in navigator) {
      void navigator.serviceWorker.register('/worker.js').catch(() => undefined);
    }
  }, AFTER_THE_ANSWER_MS),
);
