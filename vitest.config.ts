import { defineConfig } from "vitest/config";

const shared = { testTimeout: 300_000, hookTimeout: 300_000, pool: "forks" as const, maxWorkers: 3 };

export default defineConfig({
  test: {
    ...shared,
    projects: [
      // Core holds no state of its own: its files share what they import, and the dictionaries they build.
      {
        test: {
          ...shared,
          name: "core",
          include: ["tests/core/**/*.test.ts", "tests/reference/**/*.test.ts", "tests/outside/**/*.test.ts?(x)"],
          isolate: false,
        },
      },
      {
        test: {
          ...shared,
          name: "server",
          include: ["tests/server/**/*.test.ts", "tests/devices/**/*.test.ts", "tests/instance/**/*.test.ts"],
        },
      },
    ],
  },
});
