import { defineConfig } from '@playwright/test'
import { CHROMIUM } from './demo/chromium.ts'

export default defineConfig({
  testDir: 'tests/browser',
  globalSetup: './tests/browser/serve.ts',
  workers: 1,
  timeout: 60_000,
  expect: { timeout: 15_000 },
  reporter: [
    ['list'],
    ['json', { outputFile: process.env.PLAYWRIGHT_JSON_OUTPUT_FILE ?? 'test-results/report.json' }],
  ],
  use: {
    viewport: { width: 1280, height: 800 },
    trace: 'retain-on-failure',
    launchOptions: CHROMIUM,
  },
})
