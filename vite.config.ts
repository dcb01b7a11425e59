import { reactRouter } from '@react-router/dev/vite'
import tailwindcss from '@tailwindcss/vite'
import { join } from 'node:path'
import { defineConfig } from 'vite'

/** React Router ships a development and a production build, and names only the first in its package. */
const production = (file: string) =>
  join(import.meta.dirname, 'node_modules/react-router/dist/production', file)
const PRODUCTION = [
  { find: /^react-router$/, replacement: production('index.mjs') },
  { find: /^react-router\/dom$/, replacement: production('dom-export.mjs') },
]

export default defineConfig(({ command, isSsrBuild }) => ({
  plugins: [tailwindcss(), reactRouter()],
  resolve: { alias: command === 'build' ? PRODUCTION : [] },
  // One copy of the router for routes and server, the production one.
  ssr: { noExternal: ['react-router', '@react-router/express', '@react-router/node'] },
  build: { target: 'es2022', ...(isSsrBuild ? { rollupOptions: { input: './app/web.ts' } } : {}) },
}))
