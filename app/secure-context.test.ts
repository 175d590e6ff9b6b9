// A club's own network has plain http, and there browsers leave out what they offer to secure addresses only. What runs in the browser uses
// none of it, or asks first whether it is there.
import fs from "node:fs";
import path from "node:path";
import { expect, test } from "vitest";

/** What secure contexts alone have, each with the question that must stand before it; without one it is not used at all. */
const SECURE_ONLY: readonly (readonly [use: RegExp, asked?: RegExp])[] = [
  [/crypto\.randomUUID/],
  [/crypto\.subtle/],
  [/navigator\.clipboard\./, /navigator\.clipboard !== undefined/],
  [/navigator\.wakeLock\./, /"wakeLock" in navigator/],
  [/navigator\.serial\./, /"serial" in navigator/],
  [/navigator\.bluetooth\./, /"bluetooth" in navigator/],
  [/navigator\.(serviceWorker|storage|mediaDevices|locks|credentials|geolocation)/],
  [/\bcaches\./],
  [/window\.show(Open|Save)FilePicker/],
];

const clientFiles = (folder: string): string[] =>
  fs.readdirSync(folder, { recursive: true, encoding: "utf8" }).flatMap((name) => {
    const file = path.join(folder, name);
    return /\.tsx?$/.test(name) && !/\.server\.tsx?$|\.test\.tsx?$/.test(name) ? [file] : [];
  });

test("nothing that a plain http address lacks is used in the browser without asking", () => {
  const found = ["app", "core", "simulators"].flatMap(clientFiles).flatMap((file) => {
    const text = fs.readFileSync(file, "utf8").replaceAll(/\/\/.*|\/\*[\s\S]*?\*\//g, "");
    return SECURE_ONLY.flatMap(([use, asked]) =>
      use.test(text) && !(asked?.test(text) ?? false) ? [`${file}: ${use.source}`] : [],
    );
  });
  expect(found).toEqual([]);
});
