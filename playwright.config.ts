import { defineConfig } from "@playwright/test";

export default defineConfig({
  testDir: "tests/e2e",
  // Its own folder: Playwright empties it at every start.
  outputDir: "test-results/e2e",
  // A guard against what never ends, no measure: a machine may be ten times as slow as another.
  timeout: 600_000,
  // Two files at a time: most of a test is the dictionary of its page, on one core.
  workers: 2,
  retries: 0,
  // The same for what is waited for: on two busy cores an entry takes its time to be written.
  expect: { timeout: 60_000 },
  reporter: [["list"], ["json", { outputFile: "test-results/playwright.json" }]],
  use: {
    baseURL: process.env.UNZO_URL ?? "http://127.0.0.1:4790",
    viewport: { width: 1280, height: 800 },
    // An action that waits for what never comes is named, instead of the whole test running out.
    actionTimeout: 120_000,
    launchOptions: {
      executablePath: "/usr/bin/chromium-headless-shell",
      args: [
        "--no-sandbox",
        "--disable-gpu",
        "--disable-quic",
        "--no-first-run",
        "--disable-background-networking",
        "--disable-component-update",
        "--disable-sync",
      ],
    },
  },
});
