// Roughly where somebody is signed in: the system that the browser says it runs on.

const SYSTEMS: readonly (readonly [RegExp, string])[] = [
  [/\bAndroid\b/, "Android"],
  [/\b(iPhone|iPad)\b/, "iOS"],
  [/\bWindows\b/, "Windows"],
  [/\bMac OS X\b/, "macOS"],
  [/\bLinux\b/, "Linux"],
];

/** "A browser on Linux"; what says nothing of itself is "A browser". */
export function sayBrowser(agent: string): string {
  const system = SYSTEMS.find(([sign]) => sign.test(agent))?.[1];
  return system ? `A browser on ${system}` : "A browser";
}
