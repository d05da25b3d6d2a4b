import { svelte } from '@sveltejs/vite-plugin-svelte';
import tailwindcss from '@tailwindcss/vite';
import { defineConfig } from 'vite';

export default defineConfig({
  plugins: [svelte(), tailwindcss()],
  build: { assetsInlineLimit: 0, target: 'es2022', chunkSizeWarningLimit: 800 },
  worker: { format: 'es' },
});
