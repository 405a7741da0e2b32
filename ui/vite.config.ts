import { defineConfig } from 'vitest/config';
import react from '@vitejs/plugin-react';
import tailwindcss from '@tailwindcss/vite';

export default defineConfig({
  plugins: [react(), tailwindcss()],
  build: {
    outDir: 'target/classes/static', // lands in the module's jar as /static
    emptyOutDir: true,
    assetsInlineLimit: 0, // fonts inlined as data: URLs would be refused by font-src 'self'
    chunkSizeWarningLimit: 1500,
    rolldownOptions: {
      output: {
        codeSplitting: {
          groups: [
            { name: 'three', test: /node_modules[\\/]three[\\/]/ },
            { name: 'react', test: /node_modules[\\/](react|react-dom|scheduler)[\\/]/ },
          ],
        },
      },
    },
  },
  // a form typed into takes its time where the core's tests run beside it on two cores
  test: {
    testTimeout: 60_000,
    hookTimeout: 60_000,
    setupFiles: './src/shared/patientTests.ts',
  },
  server: { host: '127.0.0.1', proxy: { '/api': 'http://127.0.0.1:8080' } },
});
