// The one field of the finder, before its list is there and after.
export const FINDER_FIELD = {
  type: "search",
  "aria-label": "Find a radio, model, person or page",
  placeholder: "W-03, Heron, log…",
  className: "input w-full font-mono",
  autoComplete: "off",
} as const;
