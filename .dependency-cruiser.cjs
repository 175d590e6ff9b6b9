// Who may import whom; see docs on the house in CONTRIBUTING.md. Run by ./check.
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
    only("core-knows-only-itself", "^core/", ["core/"]),
    only("db-uses-core", "^db/", ["db/", "core/"]),
    only("standins-use-core", "^standins/", ["standins/", "core/"]),
    only("acts-use-db-and-core", "^acts/", ["acts/", "db/", "core/"]),
    only("app-uses-acts-db-core-standins", "^app/", ["app/", "acts/", "db/", "core/", "standins/"]),
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
      from: { pathNot: "^(db|scripts|measure|e2e)/|\\.test\\.ts$" },
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
