import { fileURLToPath } from "node:url";
import { defineConfig } from "vitest/config";

const at = (path: string) => fileURLToPath(new URL(path, import.meta.url));

const pure = ["src/core/**/*.test.ts", "src/contracts/**/*.test.ts"];

export default defineConfig({
  resolve: { alias: { "@": at("./src"), "server-only": at("./tests/support/empty.ts") } },
  test: {
    testTimeout: 60_000,
    hookTimeout: 120_000,
    fileParallelism: true,
    maxWorkers: 2,
    projects: [
      // pure: its files read one another's modules once, and leave nothing behind
      { extends: true, test: { name: "core", include: pure, isolate: false } },
      // each file has a database of its own, and modules keep nothing: reading them anew for each took most of the time
      { extends: true, test: { name: "whole", include: ["tests/**/*.test.ts"], isolate: false } },
      { extends: true, test: { name: "parts", include: ["src/**/*.test.ts"], exclude: pure } },
    ],
  },
});
