import babel from '@rolldown/plugin-babel';
import tailwindcss from '@tailwindcss/vite';
import react, { reactCompilerPreset } from '@vitejs/plugin-react';
import { defineConfig } from 'vite';

const server = 'http://127.0.0.1:8437';

export default defineConfig({
  // The compiler keeps what a render made of values that did not change.
  plugins: [
    react(),
    babel({ presets: [reactCompilerPreset({ panicThreshold: 'all_errors' })] }),
    tailwindcss(),
  ],
  build: {
    outDir: '../src/ample_rows/api/site',
    emptyOutDir: true,
    // Nothing inlined: the page's policy allows files of its own, not data in markup.
    assetsInlineLimit: 0,
    modulePreload: { polyfill: false },
  },
  server: {
    proxy: Object.fromEntries(
      ['/api', '/open'].map((path) => [
        path,
        { target: server, changeOrigin: true, headers: { origin: server } },
      ]),
    ),
  },
});
