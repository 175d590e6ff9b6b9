// Builds the application if its sources changed; for ./check.
import { fileURLToPath } from "node:url";
import { buildIfChanged } from "./build.ts";
import { orExit } from "./plain.ts";

await orExit(async () => buildIfChanged(fileURLToPath(new URL("..", import.meta.url)), console.log));
