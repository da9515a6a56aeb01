// Who may import whom (docs/architecture.md). Every rule is an error; cycles fail too.
const only = (name, from, allowed) => ({
  name,
  severity: "error",
  from: { path: from, pathNot: "\\.test\\.tsx?$" },
  to: { path: "^src/", pathNot: allowed },
});

/** Services by place, in the order of the job: a place may ask those before it, never those after it. */
const places = [
  "ground",
  "organisation",
  "planning",
  "(people|way-in)",
  "mailings",
  "hour",
  "afterwards",
  "outside",
  "overview",
];
const placeRules = places.map((place, i) =>
  only(`services-in-order-${i}`, `^src/server/services/${place}/`, [
    ...places.slice(0, i + 1).map((earlier) => `^src/server/services/${earlier}/`),
    "^src/(?!server/services/)",
  ]),
);

module.exports = {
  forbidden: [
    ...placeRules,
    {
      name: "no-cycles",
      severity: "error",
      from: {},
      to: { circular: true },
    },
    only("core-shared-stands-alone", "^src/core/shared/", ["^src/core/shared/"]),
    only("core-time-sees-core-shared", "^src/core/time/", ["^src/core/(shared|time)/"]),
    only("core-sees-core", "^src/core/", ["^src/core/"]),
    {
      name: "core-folders-by-their-index",
      severity: "error",
      from: { path: "^src/core/([^/]+)/", pathNot: "\\.test\\.tsx?$" },
      to: { path: "^src/core/([^/]+)/", pathNot: ["^src/core/$1/", "^src/core/[^/]+/index\\.ts$"] },
    },
    {
      name: "core-is-pure",
      severity: "error",
      from: { path: "^src/core/", pathNot: "\\.test\\.tsx?$" },
      to: { dependencyTypes: ["core"] },
    },
    {
      name: "core-packages",
      severity: "error",
      from: { path: "^src/core/", pathNot: "\\.test\\.tsx?$" },
      to: { path: "node_modules", pathNot: "node_modules/(temporal-polyfill|perfect-freehand)" },
    },
    only("contracts-see-core", "^src/contracts/", ["^src/(contracts|core)/"]),
    only("ui-sees-itself", "^src/ui/", ["^src/ui/"]),
    only("features-see-no-server", "^src/features/", ["^src/(features|ui|contracts|core)/"]),
    {
      name: "features-stay-apart",
      severity: "error",
      from: { path: "^src/features/([^/]+)/" },
      to: { path: "^src/features/([^/]+)/", pathNot: ["^src/features/$1/", "^src/features/shared/"] },
    },
    only("app-sees-services", "^src/(app|instrumentation|proxy)", [
      "^src/(app|features|ui|contracts|core|instrumentation|proxy)",
      "^src/server/(compose|services/|db/away)",
    ]),
    only("services-direction", "^src/server/services/", [
      "^src/(core|contracts)/",
      "^src/server/(services|db|mail|files|live|platform|room)/",
      // what heavy sums there are; where they are done is the composition root's
      "^src/server/workers/(sums|deck-words|media-words|certificate-words)",
      "^src/server/programme/piece-files",
    ]),
    // pure: bytes and plain data in, plain data out, no database and no context
    only("workers-direction", "^src/server/workers/", [
      "^src/core/",
      "^src/server/workers/",
      "^src/server/services/(people/contacts/read-file|planning/calendar-import/busy-file|afterwards/read-entries)",
    ]),
    only("jobs-direction", "^src/server/jobs/", ["^src/server/(jobs|services|platform)/", "^src/server/db/client"]),
    only("live-direction", "^src/server/live/", [
      "^src/(core|contracts)/",
      "^src/server/(live|platform)/",
      "^src/server/room/",
      "^src/server/db/(queries/|client|notify|away)",
    ]),
    only("programme-direction", "^src/server/programme/", [
      "^src/(core|contracts)/",
      "^src/server/(programme|db|files|platform)/",
    ]),
    only("room-direction", "^src/server/room/", ["^src/(core|contracts)/", "^src/server/(room|db|platform)/"]),
    only("edge-direction", "^src/server/edge/", [
      "^src/(core|contracts)/",
      "^src/server/(edge|services|db|platform|programme)/",
      "^src/server/compose",
    ]),
    only("db-direction", "^src/server/db/", ["^src/(core|contracts)/", "^src/server/(db|platform)/"]),
    only("mail-direction", "^src/server/mail/", ["^src/(core|contracts)/", "^src/server/(mail|platform)/"]),
    only("files-direction", "^src/server/files/", ["^src/(core|contracts)/", "^src/server/(files|platform)/"]),
    only("platform-direction", "^src/server/platform/", ["^src/core/shared/", "^src/server/platform/"]),
    only("stand-ins-stand-apart", "^src/stand-ins/", ["^src/(core|contracts|stand-ins)/"]),
  ],
  options: {
    doNotFollow: { path: "node_modules" },
    tsPreCompilationDeps: true,
    tsConfig: { fileName: "tsconfig.json" },
    enhancedResolveOptions: {
      exportsFields: ["exports"],
      conditionNames: ["import", "require", "node", "default"],
      extensions: [".ts", ".tsx", ".js", ".mjs", ".css"],
    },
  },
};
