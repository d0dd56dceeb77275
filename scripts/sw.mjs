// Writes dist/sw.js, which keeps the whole export on the device, so that everything works with no network.
import { generateSW } from 'workbox-build';

const root = process.argv[2] ?? 'dist';
const { count, size, warnings } = await generateSW({
  globDirectory: root,
  globPatterns: ['**/*.{html,js,css,ttf,woff2,png,svg,ico,json,webmanifest}'],
  // heat models are fetched when somebody heats such a device, or when the page has nothing else to do, and kept from then on
  globIgnores: ['sw.js', 'metadata.json', 'sizes.json', '**/*.br', '**/*.gz', 'modes/**'],
  runtimeCaching: [
    {
      urlPattern: ({ url }) => url.pathname.startsWith('/modes/'),
      handler: 'CacheFirst',
      options: { cacheName: 'northcove-modes', expiration: { maxEntries: 60 }, cacheableResponse: { statuses: [200] } },
    },
  ],
  swDest: `${root}/sw.js`,
  mode: 'production',
  sourcemap: false,
  inlineWorkboxRuntime: true,
  cleanupOutdatedCaches: true,
  clientsClaim: true,
  // a new version waits until somebody takes it, or the last page is closed: src/store/update.ts
  skipWaiting: false,
  navigateFallback: '/index.html',
  navigateFallbackDenylist: [/^\/api\//],
  dontCacheBustURLsMatching: /\/_expo\/static\/|\/modes\/|\.[0-9a-f]{32}\./,
  maximumFileSizeToCacheInBytes: 8 * 1024 * 1024,
});
for (const w of warnings) console.warn(w);
console.log(`offline copy: ${count} files, ${(size / 1e6).toFixed(1)} MB`);
