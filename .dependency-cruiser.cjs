// Who may import whom; see docs on the house in CONTRIBUTING.md. Run by ./check.
const TEST = "\\.test\\.tsx?$|/testing\\.ts$|oracle\\.ts$";

/** Each room may import those before it. */
const CORE_ROOMS = [
  "quantities",
  "solve",
  "measure",
  "version",
  "release",
  "modes",
  "dossier",
  "unit",
  "needs",
  "route",
  "kit",
  "bluetooth",
  "bench",
  "run",
  "club",
  "import",
  "codeplug",
];
const roomsInOrder = (of, rooms) =>
  rooms.map((room, i) => ({
    name: `${of}-${room}-imports-only-rooms-before-it`,
    severity: "error",
    from: { path: `^${of}/${room}/`, pathNot: TEST },
    to: { path: `^${of}/(${rooms.slice(i + 1).join("|") || "-"})/` },
  }));

/** As in core, so in db: each of its rooms may ask those before it. */
const DB_ROOMS = ["model", "club", "kit", "unit", "codeplug", "run"];

/** A room is entered by its door, `index.ts`; what it keeps for itself, tests alone may ask. */
const byTheDoor = (of, rooms) =>
  rooms.map((room) => ({
    name: `${of}-${room}-is-entered-by-its-door`,
    severity: "error",
    from: {
      path: "^(core|db|acts|jobs|app|server|simulators|demo|scripts|measure)/",
      pathNot: `^${of}/${room}/|${TEST}`,
    },
    to: { path: `^${of}/${room}/`, pathNot: `^${of}/${room}/index\\.ts$` },
  }));

/** The areas of the application; what two of them need lies in `app/ui`, `app/forms` or `app/shared`. Who somebody is, all may ask. */
const AREAS = "bench|cabinet|club|codeplugs|due|frame|import|kit|log|models|unit";

const only = (name, from, allowed) => ({
  name,
  severity: "error",
  from: { path: from, pathNot: "\\.test\\.tsx?$" },
  to: {
    pathNot: `^(${[...allowed, "node_modules", "highs/runtime", "\\.react-router", "\\./\\+types"].join("|")})`,
    dependencyTypesNot: ["core", "npm", "npm-dev"],
  },
});
module.exports = {
  forbidden: [
    { name: "no-circles", severity: "error", from: {}, to: { circular: true } },
    ...roomsInOrder("core", CORE_ROOMS),
    ...roomsInOrder("db", DB_ROOMS),
    ...byTheDoor("core", CORE_ROOMS),
    ...byTheDoor("db", DB_ROOMS),
    {
      name: "areas-stand-apart",
      severity: "error",
      from: { path: `^app/(${AREAS}|auth|ui|forms|shared)/`, pathNot: TEST },
      to: { path: `^app/(${AREAS})/`, pathNot: "^app/$1/" },
    },
    only("core-knows-only-itself", "^core/", ["core/"]),
    only("db-uses-core", "^db/", ["db/", "core/"]),
    only("simulators-use-core", "^simulators/", ["simulators/", "core/"]),
    only("acts-use-db-core-simulators", "^acts/", ["acts/", "db/", "core/", "simulators/"]),
    only("jobs-use-acts-db-core", "^jobs/", ["jobs/", "acts/", "db/", "core/"]),
    only("app-uses-acts-db-core-simulators", "^app/", [
      "app/",
      "acts/",
      "db/",
      "core/",
      "simulators/",
      "docs/manual\\.md",
    ]),
    {
      // A transaction that can change something is opened by acts alone; who signs in is nobody yet (db/club/sessions.ts).
      name: "app-changes-only-by-acts",
      severity: "error",
      from: { path: "^app/", pathNot: TEST },
      to: { path: "^db/pool\\.ts$", dependencyTypesNot: ["type-only"] },
    },
    only("ui-knows-no-database", "^app/ui/", ["app/ui/", "core/"]),
    {
      name: "core-uses-only-small-pure-packages",
      severity: "error",
      from: { path: "^core/", pathNot: "(\\.test|/testing)\\.ts$" },
      to: {
        dependencyTypes: ["npm", "npm-dev", "core"],
        pathNot: "node_modules/(zod|papaparse|fflate|@noble/hashes)/",
      },
    },
    {
      name: "database-driver-only-in-db",
      severity: "error",
      from: { pathNot: "^(db|jobs|scripts|measure|e2e)/|\\.test\\.ts$" },
      to: { path: "node_modules/(pg|pg-boss|pg-copy-streams|node-pg-migrate)/" },
    },
  ],
  options: {
    doNotFollow: { path: "node_modules" },
    tsConfig: { fileName: "tsconfig.json" },
    tsPreCompilationDeps: true,
    enhancedResolveOptions: {
      exportsFields: ["exports"],
      conditionNames: ["import", "node", "default", "types"],
      extensions: [".ts", ".tsx", ".js", ".mjs", ".json"],
    },
  },
};
