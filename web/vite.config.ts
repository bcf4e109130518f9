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
  test: { environment: 'jsdom', setupFiles: ['src/test/setup.ts'], css: false, testTimeout: 30_000 },
}));
