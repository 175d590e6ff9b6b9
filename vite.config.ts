// One build for the browser, one for the server; the server's entry is server/app.ts.
import { reactRouter } from "@react-router/dev/vite";
import tailwindcss from "@tailwindcss/vite";
import { defineConfig } from "vite";

export default defineConfig({
  plugins: [tailwindcss(), reactRouter()],
  environments: {
    ssr: { build: { rollupOptions: { input: "./server/app.ts" } } },
  },
});
