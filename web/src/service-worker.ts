/// <reference types="@sveltejs/kit" />
/// <reference no-default-lib="true" />
/// <reference lib="esnext" />
/// <reference lib="webworker" />
/** Keeps the application at hand, so that a plan can be followed at a bench without a network. Plans themselves live in the browser's store. */
import { build, files, version } from '$service-worker';

const self = globalThis as unknown as ServiceWorkerGlobalScope;
const CACHE = `idle-breadboard-${version}`;
/** Never changes under its name. */
const fixed = new Set([...build, ...files]);
/** What the first screen asks the server for. */
const FIRST = ['/', '/__data.json', '/api/v1/catalogue'];

self.addEventListener('install', (event) => {
  const fill = async () => {
    const cache = await caches.open(CACHE);
    await cache.addAll([...fixed]);
    await Promise.all(
      FIRST.map(async (path) => {
        const response = await fetch(path);
        if (response.ok) await cache.put(path, response);
      }),
    );
    await self.skipWaiting();
  };
  event.waitUntil(fill());
});

self.addEventListener('activate', (event) => {
  const tidy = async () => {
    for (const key of await caches.keys()) if (key !== CACHE) await caches.delete(key);
    await self.clients.claim();
  };
  event.waitUntil(tidy());
});

self.addEventListener('fetch', (event) => {
  const { request } = event;
  const url = new URL(request.url);
  if (request.method !== 'GET' || url.origin !== self.location.origin || url.pathname === '/healthz') return;
  const answer = async (): Promise<Response> => {
    const cache = await caches.open(CACHE);
    if (fixed.has(url.pathname)) {
      const kept = await cache.match(url.pathname);
      if (kept) return kept;
    }
    try {
      const fresh = await fetch(request);
      if (fresh.ok && FIRST.includes(url.pathname)) await cache.put(url.pathname, fresh.clone());
      return fresh;
    } catch (error) {
      const kept = await cache.match(url.pathname);
      if (kept) return kept;
      throw error;
    }
  };
  event.respondWith(answer());
});
