// One build for the browser, one for the server; the server's entry is server/app.ts.
import { reactRouter } from "@react-router/dev/vite";
import tailwindcss from "@tailwindcss/vite";
import { defineConfig, type Plugin } from "vite";

/** A font that comes too late waits for the next page: nothing that is being read moves. The root preloads those that every page needs. */
const stillFonts: Plugin = {
  name: "still-fonts",
  transform: (code, id) =>
    id.endsWith("/app/app.css")
      ? code.replaceAll(/font-display:\s*swap/g, "font-display: optional")
      : undefined,
};

export default defineConfig({
  plugins: [tailwindcss(), reactRouter(), stillFonts],
  environments: {
    ssr: { build: { rollupOptions: { input: "./server/app.ts" } } },
    client: {
      build: {
        rollupOptions: {
          output: {
            // What most pages share comes in one piece: forty small ones cost an old phone more than their bytes.
            advancedChunks: {
              groups: [
                {
                  name: "framework",
                  test: /node_modules\/(react|react-dom|react-router|scheduler)\//,
                  priority: 3,
                },
                // Most pages read nothing that must be held against a shape.
                { name: "shapes", test: /node_modules\/zod\//, priority: 3 },
                { name: "shared", minShareCount: 40, test: /\/(app|core)\/(?!.*-shape\.ts$)/, priority: 2 },
              ],
            },
          },
        },
      },
    },
  },
});
