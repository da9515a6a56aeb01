// npm test: from a fresh Debian machine with Node to a verdict. Own database, ports and build folder.
import { spawn } from "node:child_process";
import { mkdirSync } from "node:fs";
import { join } from "node:path";
import { installForBrowser, runBrowserTests } from "./lib/browser-tests.mjs";
import { createDatabase, startPostgres } from "./lib/postgres.mjs";
import { has, needModules, needPackages, ran, root, run, say, tsx } from "./lib/run.mjs";

const started = Date.now();
const step = (words) => say(`${words}  [${Math.round((Date.now() - started) / 1000)} s]`);
const only = process.argv[2];
const wants = (part) => only === undefined || only === part;

const missing = [
  ["/usr/bin/chromium", "chromium"],
  // the proxy in front of several processes, as deploy/ configures it
  ["/usr/sbin/nginx", "nginx-light"],
  // sends a programme to another place, as the stand-in of a live service takes it
  ["/usr/bin/ffmpeg", "ffmpeg"],
  // draws the same PDF: what the pages of a deck are compared with
  ["/usr/bin/pdftoppm", "poppler-utils"],
].filter(([path]) => !has(path));
if (missing.length > 0) needPackages(missing.map(([, name]) => name));
needModules();
const folder = join(root, "var/test");
mkdirSync(folder, { recursive: true });
step("starting the test database");
const cluster = await startPostgres(join(folder, "postgres"), { isForTests: true });
process.once("exit", () => cluster.stop());
for (const signal of ["SIGINT", "SIGTERM"]) process.once(signal, () => process.exit(1));
const template = createDatabase(cluster, "stagecall_template", { isFresh: true });
const secret = "only-for-tests-0123456789abcdef-0123456789";
run("node", [...tsx, "scripts/migrate.ts"], { env: { ...process.env, DATABASE_URL: template } });

/** Checks that touch nothing, side by side; what a failed one said is shown whole. */
async function sideBySide(checks) {
  const outcomes = await Promise.all(
    checks.map(
      ([words, command]) =>
        new Promise((done) => {
          const child = spawn("npx", command, { cwd: root });
          let said = "";
          for (const stream of [child.stdout, child.stderr]) stream.on("data", (chunk) => (said += chunk));
          child.on("close", (code) => done({ words, code, said }));
        }),
    ),
  );
  for (const { words, code, said } of outcomes) {
    if (code !== 0) console.error(said);
    step(`${words}: ${code === 0 ? "nothing found" : "FAILED"}`);
  }
  if (outcomes.some(({ code }) => code !== 0)) process.exit(1);
}

if (wants("static")) {
  step("formatting, lint, types and import directions");
  await sideBySide([
    ["formatting", ["prettier", "--check", ".", "--log-level", "warn"]],
    ["lint", ["eslint", ".", "--max-warnings", "0"]],
    ["types", ["tsc", "--noEmit"]],
    ["import directions", ["depcruise", "--config", ".dependency-cruiser.cjs", "src"]],
  ]);
}
const build = { ...process.env, NODE_ENV: "production", NEXT_TELEMETRY_DISABLED: "1", STAGE_CALL_DIST: ".next-test" };
/** What the browser tests drive. The types are not looked at twice. What the builder warns of is mended, not scrolled past. */
async function built() {
  if (process.env.REUSE_BUILD === "1" && has(join(root, ".next-test/BUILD_ID"))) return;
  const types = wants("static") ? { TYPES_ARE_CHECKED: "1" } : {};
  const said = await ran("npx", ["next", "build"], {
    env: { ...build, ...types },
    stdio: ["ignore", "ignore", "pipe"],
  });
  if (/build encountered \d+ warning/.test(said)) throw new Error("the build warns of something: see above");
  step("built for the browser tests");
}
// beside the unit tests of a whole run, which leave half of two cores free
const building = only === undefined ? built() : null;

if (wants("unit")) {
  step("unit and integration tests");
  await ran("npx", ["vitest", "run", "--reporter=dot", ...(only === "unit" ? process.argv.slice(3) : [])], {
    env: { ...process.env, NODE_ENV: "test", TEST_CLUSTER_URL: cluster.url },
  });
}
if (wants("browser")) {
  step("building for the browser tests");
  await (building ?? built());
  step("seeding");
  const files = only === "browser" ? process.argv.slice(3) : [];
  const lanes = await Promise.all(
    (files.length > 0 ? [1] : [1, 2]).map((lane) => installForBrowser({ cluster, folder, build, secret, lane })),
  );
  step("browser tests");
  if (!(await runBrowserTests(files, lanes))) process.exit(1);
}
step("all passed");
// the worker beside the browser tests would keep this process alive
process.exit(0);
