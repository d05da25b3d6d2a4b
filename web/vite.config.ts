import { svelte } from '@sveltejs/vite-plugin-svelte';
import tailwindcss from '@tailwindcss/vite';
import { defineConfig, type Plugin } from 'vite';

/** Lets the page fetch the core beside its scripts, not after they have run. */
function preloadCore(): Plugin {
  return {
    name: 'preload-core',
    transformIndexHtml: {
      order: 'post',
      handler: (_, { bundle }) =>
        Object.keys(bundle ?? {})
          .filter((name) => /azzel-[^/]*\.wasm$/.test(name))
          .map((name) => ({
            tag: 'link',
            attrs: {
              rel: 'preload',
              href: `/${name}`,
              as: 'fetch',
              type: 'application/wasm',
              crossorigin: 'anonymous',
            },
            injectTo: 'head-prepend' as const,
          })),
    },
  };
}

export default defineConfig({
  plugins: [svelte(), tailwindcss(), preloadCore()],
  build: { assetsInlineLimit: 0, target: 'es2022', chunkSizeWarningLimit: 800 },
  worker: { format: 'es' },
});
