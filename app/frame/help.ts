// What each area is for, in three sentences: told by `?`.

/** By the beginning of the address; the longest that fits counts. */
export const HELP: readonly (readonly [to: string, name: string, says: string])[] = [
  [
    "/cabinet",
    "Cabinet",
    "Every radio in its place, with moss where something has waited. A lens changes what the drawers show. Pull a drawer open to see what its radio needs, and what to do next.",
  ],
  [
    "/due",
    "Due",
    "Every radio that needs something, under what can be done about it. “Why?” tells the reasons and since when. Pick several to line them up at the bench or to leave them alone for a while.",
  ],
  [
    "/bench",
    "Bench",
    "Where work is done, one step at a time, with what should be seen after each. A run can be left and taken up again, by somebody else too. Practise on a simulated radio first if you have not done it before.",
  ],
  [
    "/models",
    "Models",
    "What is known of each kind of radio: its releases, procedures, key combinations, modes and oddities. Each fact says whence it is known and who has confirmed it. What another club knows can be brought in, fact by fact.",
  ],
  [
    "/kit",
    "Kit",
    "Leads, chips, drivers, computers, tools and Bluetooth devices, and what works with what. The board says for each model what reaches it, or what is missing. What to get is worked out from what waits.",
  ],
  [
    "/codeplugs",
    "Codeplugs",
    "Which radio carries which channels, and which are not up to the club's plan. One plan makes the table of every model, with what is left out and why. Every file that was read from a radio is kept untouched.",
  ],
  [
    "/log",
    "Log",
    "Everything that happened, by the day it was, with who and with what. It is searched by words and by days. It only grows: what was wrong is struck, not taken away.",
  ],
  [
    "/units",
    "A radio",
    "What it is, what it needs and the way there, in one panel. What its screen shows is typed at the top. Its history stands beside it, and all of it in the log.",
  ],
  [
    "/mine",
    "My radio",
    "The club radio that you have at home, and whether it is all right. It says how to read the version and takes it in one field. When it is due back, and how to reach the keeper, stands there too.",
  ],
  [
    "/club",
    "Club",
    "People, places, groups and the rules that radios follow, the band plan, and what can be taken out. A rule is weighed before it is saved. Only a keeper changes what stands here.",
  ],
  [
    "/import",
    "Bring in units",
    "A spreadsheet of radios becomes records, row by row. Columns and days are guessed, and you correct the guess. Nothing is written before you have seen all of it.",
  ],
];

export const helpOf = (path: string) =>
  HELP.filter(([to]) => path === to || path.startsWith(`${to}/`)).sort(([a], [b]) => b.length - a.length)[0];
