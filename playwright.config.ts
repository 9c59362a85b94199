import { defineConfig } from '@playwright/test'
import { executablePath } from './scripts/chromium.mjs'

const PORT = 5197

export default defineConfig({
  testDir: 'e2e',
  outputDir: 'test-results',
  timeout: 180_000,
  // A loaded machine takes its time; only what fails waits so long.
  expect: { timeout: 30_000 },
  // One more than processors: most of a journey is waiting.
  workers: 3,
  fullyParallel: true,
  reporter: [['list'], ['json', { outputFile: 'test-results/e2e.json' }]],
  use: {
    baseURL: `http://127.0.0.1:${PORT}`,
    viewport: { width: 1280, height: 800 },
    locale: 'en-US',
    timezoneId: 'UTC',
    // Keeping all of the application at every first visit takes a sixth of the time: the journeys that need it say so.
    serviceWorkers: 'block',
    // Nobody opens a trace there, and keeping one takes a fifth of the time.
    trace: process.env.CI ? 'off' : 'retain-on-failure',
    launchOptions: {
      executablePath,
      args: [
        '--no-sandbox',
        '--disable-gpu',
        '--disable-quic',
        '--no-first-run',
        '--disable-background-networking',
        '--disable-component-update',
        '--disable-sync',
        // Half of what a page's code costs here is making it quicker, on threads that are taken from the journeys.
        '--js-flags=--single-threaded --no-turbofan',
      ],
    },
  },
  webServer: {
    command: 'node build/server/index.js',
    env: { PORT: String(PORT) },
    url: `http://127.0.0.1:${PORT}/health`,
    reuseExistingServer: false,
  },
})
