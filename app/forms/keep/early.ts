// What is typed before the page's scripts are awake: React, as it wakes, would put back what a field was drawn with.
type Field = HTMLInputElement | HTMLTextAreaElement;
const early = new Map<Field, string>();

const isField = (one: unknown): one is Field =>
  one instanceof HTMLTextAreaElement ||
  (one instanceof HTMLInputElement && !["checkbox", "radio", "file", "hidden"].includes(one.type));

const note = ({ target }: Event) => {
  if (isField(target)) early.set(target, target.value);
};

if (typeof document !== "undefined") {
  document.addEventListener("input", note, true);
  for (const one of document.querySelectorAll("input, textarea"))
    if (isField(one) && one.value !== one.defaultValue) early.set(one, one.value);
}

/** Once, when all is awake. */
export function putBackEarly(): void {
  document.removeEventListener("input", note, true);
  for (const [field, text] of early) {
    if (!field.isConnected || field.value === text) continue;
    Object.getOwnPropertyDescriptor(Object.getPrototypeOf(field), "value")?.set?.call(field, text);
    field.dispatchEvent(new Event("input", { bubbles: true }));
  }
  early.clear();
}
