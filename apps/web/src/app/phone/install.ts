import { signal } from '@angular/core';

/** How often the cache is looked at while it fills, and how long. */
const LOOK_MS = 500;
const MOST_LOOKS = 240;

interface Manifest {
  readonly assetGroups: readonly { readonly name: string; readonly urls: readonly string[] }[];
}

/**
 * Registers the service worker of the client's pages and says when everything they need is kept. Only these pages register it; without a
 * secure context there is none, and they need the network.
 */
export class OfflineReady {
  readonly state = signal<'checking' | 'ready' | 'none'>('checking');

  async start(): Promise<void> {
    if (!('serviceWorker' in navigator)) return this.state.set('none');
    try {
      await navigator.serviceWorker.register('/ngsw-worker.js');
      await navigator.serviceWorker.ready;
      for (let i = 0; i < MOST_LOOKS; i++) {
        if (await isFull()) return this.state.set('ready');
        await new Promise((r) => setTimeout(r, LOOK_MS));
      }
    } catch {
      // What cannot be registered is no error: the list says that it needs the network.
    }
    this.state.set('none');
  }
}

/** True when every file of the application lies in the service worker's cache. */
async function isFull(): Promise<boolean> {
  const names = (await caches.keys()).filter((n) => n.startsWith('ngsw:') && n.includes(':assets:app:cache'));
  const counts = await Promise.all(names.map(async (n) => (await (await caches.open(n)).keys()).length));
  if (counts.length === 0) return false;
  const needed = await manifestSize();
  return needed === null ? true : Math.max(...counts) >= needed;
}

/** Files the worker keeps; null when the list cannot be had, as without a network: then what is there is from an earlier assessment. */
async function manifestSize(): Promise<number | null> {
  try {
    const manifest = (await (await fetch('/ngsw.json')).json()) as Manifest;
    return manifest.assetGroups.reduce((sum, g) => sum + g.urls.length, 0);
  } catch {
    return null;
  }
}
