// Three projects: "core" needs nothing; "start" PostgreSQL and the build; "db", and *.db.test.ts elsewhere, the throw-away cluster of scripts/with-postgres.ts.
import { defineConfig } from "vitest/config";

/** The same cases each time in ./check; others each time in `npm run deep`, which says which. */
const setupFiles = ["./scripts/check/seed.ts"];

export default defineConfig({
  test: {
    projects: [
      {
        test: {
          name: "core",
          setupFiles,
          testTimeout: 120_000,
          include: [
            "core/**/*.test.ts",
            "acts/**/*.test.ts",
            "app/**/*.test.ts",
            "demo/**/*.test.ts",
            "simulators/**/*.test.ts",
          ],
          exclude: ["**/*.db.test.ts"],
        },
      },
      {
        test: {
          name: "start",
          include: ["scripts/**/*.test.ts"],
          fileParallelism: false,
          testTimeout: 180_000,
        },
      },
      {
        test: {
          name: "db",
          setupFiles,
          include: ["db/**/*.test.ts", "server/**/*.test.ts", "**/*.db.test.ts"],
          exclude: ["node_modules"],
          fileParallelism: false,
          testTimeout: 60_000,
          hookTimeout: 120_000,
        },
      },
    ],
  },
});
