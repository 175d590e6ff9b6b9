// Two projects: "core" needs nothing; "db" needs the throw-away cluster of scripts/with-postgres.ts.
import { defineConfig } from "vitest/config";

export default defineConfig({
  test: {
    projects: [
      {
        test: {
          name: "core",
          testTimeout: 120_000,
          include: ["core/**/*.test.ts", "app/**/*.test.ts", "demo/**/*.test.ts", "scripts/**/*.test.ts"],
        },
      },
      {
        test: {
          name: "db",
          include: ["db/**/*.test.ts", "server/**/*.test.ts"],
          fileParallelism: false,
          testTimeout: 60_000,
          hookTimeout: 120_000,
        },
      },
    ],
  },
});
