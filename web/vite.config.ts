import tailwindcss from "@tailwindcss/vite";
import { defineConfig } from "vitest/config";

export default defineConfig({
  plugins: [tailwindcss()],
  esbuild: { jsx: "automatic" },
  build: { target: "es2022", chunkSizeWarningLimit: 1500 },
  server: { proxy: { "/api": "http://127.0.0.1:8420", "/media": "http://127.0.0.1:8420" } },
  test: {
    environment: "jsdom",
    include: ["src/**/*.test.{ts,tsx}"],
    setupFiles: "src/forTests.ts",
    testTimeout: 240_000,
    // One document for all files, their modules loaded anew for each: making a document costs more than the tests do.
    pool: "forks",
    poolOptions: { forks: { singleFork: true } },
  },
});
