// Browser tests on Debian's Chromium against the built server with the demo club.
import { defineConfig } from "@playwright/test";

// Served is what is shipped: React's own build for production, too.
process.env.NODE_ENV = "production";
process.env.MOSSY_CHECK_ROWS = "yes";

export default defineConfig({
  testDir: "e2e",
  testMatch: "*.spec.ts",
  // Each file has a server and a database of its own. Two at a time finish sooner; the patience is for a machine with two cores.
  workers: 2,
  timeout: 180_000,
  expect: { timeout: 15_000 },
  reporter: [["list"], ["json"]],
  use: {
    viewport: { width: 1280, height: 800 },
    locale: "en-GB",
    timezoneId: "Europe/London",
    launchOptions: {
      executablePath: "/usr/bin/chromium-headless-shell",
      args: [
        // The name of a club's own network, which no resolver knows.
        "--host-resolver-rules=MAP cabinet.test 127.0.0.1",
        "--no-sandbox",
        "--disable-gpu",
        "--disable-quic",
        "--no-first-run",
        // Pages live for seconds: what V8 would gain by optimising their scripts costs more than it saves.
        "--js-flags=--no-opt --no-maglev",
        "--disable-background-networking",
        "--disable-component-update",
        "--disable-sync",
      ],
    },
  },
});
