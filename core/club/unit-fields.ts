// What a radio's own fields may hold, whether typed into a form or brought in from a sheet.

/** The most characters of each field; makers and models, places and groups are as long as where they are named. */
export const FIELD_LIMITS = {
  tag: 40,
  maker: 80,
  model: 80,
  hardware: 80,
  region: 40,
  serial: 80,
  place: 60,
  group: 80,
  note: 500,
} as const;

/** A tag is part of an address: without the signs that part one, not only dots, and not the word that adds a radio. */
export const isTagUsable = (tag: string): boolean =>
  !/[/\\?#%]/.test(tag) && !/^\.+$/.test(tag) && tag.toLowerCase() !== "new";
