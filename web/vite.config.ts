import react from '@vitejs/plugin-react';
import { loadEnv } from 'vite';
import { defineConfig } from 'vitest/config';

export default defineConfig(({ mode }) => ({
  plugins: [react()],
  server: {
    // The words are shared with the server and lie beside its other resources.
    fs: { allow: ['..'] },
    proxy: { '/api': `http://127.0.0.1:${loadEnv(mode, '.', 'UNDOKNOT_').UNDOKNOT_PORT ?? 8080}` },
  },
  build: { chunkSizeWarningLimit: 700 },
  test: {
    environment: 'jsdom',
    setupFiles: ['src/test/setup.ts'],
    css: false,
    // What the files share is loaded once for all of a worker; each test leaves its window as it was (src/test/setup.ts).
    isolate: false,
    maxWorkers: 2,
    // Only against hanging: a form typed letter by letter takes long where three builds share two cores.
    testTimeout: 120_000,
  },
}));
