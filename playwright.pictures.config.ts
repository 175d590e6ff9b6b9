// The pictures of docs/screenshots, taken anew from the demo: npm run pictures. No test, and no part of ./check.
import { defineConfig } from "@playwright/test";
import tests from "./playwright.config.ts";

export default defineConfig({
  ...tests,
  testMatch: "*.pictures.ts",
  workers: 1,
  reporter: [["list"]],
  outputDir: "test-results",
});
