// Where a reading comes from, in words.
export const SOURCE_WORDS: Readonly<Record<string, string>> = {
  screen: "off the screen",
  "power-on": "shown at power-on",
  keys: "by a key combination",
  tool: "by the tool",
  label: "off a label",
  flash: "from a flash",
  hearsay: "by hearsay",
};
