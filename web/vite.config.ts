import tailwindcss from "@tailwindcss/vite";
import react from "@vitejs/plugin-react";
import { defineConfig } from "vitest/config";

export default defineConfig({
  plugins: [react(), tailwindcss()],
  build: { chunkSizeWarningLimit: 700 },
  server: { proxy: { "/api": "http://localhost:8080", "/leave": "http://localhost:8080" } },
  test: { testTimeout: 60_000, environment: "jsdom", setupFiles: "src/test-setup.ts", globals: true },
});
