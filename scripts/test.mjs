// npm test: from a fresh Debian machine with Node to a verdict. Own database, ports and build folder.
import { spawn, spawnSync } from "node:child_process";
import { mkdirSync, rmSync } from "node:fs";
import { join } from "node:path";
import { createDatabase, startPostgres } from "./lib/postgres.mjs";
import { freePort, has, keep, needModules, needPackages, root, run, say, tsx } from "./lib/run.mjs";

const started = Date.now();
const step = (words) => say(`${words}  [${Math.round((Date.now() - started) / 1000)} s]`);
const only = process.argv[2];
const wants = (part) => only === undefined || only === part;

const missing = [
  ["/usr/bin/chromium", "chromium"],
  // the proxy in front of several processes, as deploy/ configures it
  ["/usr/sbin/nginx", "nginx-light"],
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
if (wants("unit")) {
  step("unit and integration tests");
  run("npx", ["vitest", "run", "--reporter=dot", ...(only === "unit" ? process.argv.slice(3) : [])], {
    env: { ...process.env, NODE_ENV: "test", TEST_CLUSTER_URL: cluster.url },
  });
}
if (wants("browser")) {
  step("building for the browser tests");
  const url = createDatabase(cluster, "stagecall_browser", { isFresh: true });
  const port = await freePort(4300);
  const smtpPort = await freePort(4525);
  const mailHttpPort = await freePort(smtpPort + 1);
  for (const name of ["mail", "inbox", "files"]) rmSync(join(folder, name), { recursive: true, force: true });
  const env = {
    ...process.env,
    NODE_ENV: "production",
    NEXT_TELEMETRY_DISABLED: "1",
    STAGE_CALL_DIST: ".next-test",
    DATABASE_URL: url,
    STAGE_CALL_URL: `http://127.0.0.1:${port}`,
    STAGE_CALL_SECRET: secret,
    STAGE_CALL_FILES: join(folder, "files"),
    STAGE_CALL_CLOCK_FILE: join(folder, "clock"),
    STAGE_CALL_TRIES: "lenient",
    STAGE_CALL_UI_KIT: "shown",
    STAGE_CALL_PHONE_LINE: "stand-in",
    SMTP_URL: `smtp://127.0.0.1:${smtpPort}`,
    SMTP_PORT: String(smtpPort),
    MAIL_HTTP_PORT: String(mailHttpPort),
    MAIL_URL: `http://127.0.0.1:${mailHttpPort}`,
    MAIL_FOLDER: join(folder, "mail"),
    STAGE_CALL_INBOX: join(folder, "inbox"),
    MAIL_OWN_ADDRESSES: "events@brinewold.example.org",
    PORT: String(port),
  };
  rmSync(join(folder, "clock"), { force: true });
  run("node", [...tsx, "scripts/migrate.ts"], { env });
  const canReuse = process.env.REUSE_BUILD === "1" && has(join(root, ".next-test/BUILD_ID"));
  if (!canReuse) run("npx", ["next", "build"], { env, stdio: ["ignore", "ignore", "inherit"] });
  step("seeding");
  run("node", [...tsx, "scripts/seed.ts"], { env });
  step("browser tests");
  const work = { ...env, STAGE_CALL_PART: "work" };
  keep("node", ["--import", "tsx", "scripts/serve.ts"], work, { stdio: ["ignore", "ignore", "inherit"] });
  const done = spawnSync("npx", ["playwright", "test", ...process.argv.slice(3)], { cwd: root, env, stdio: "inherit" });
  if (done.status !== 0) process.exit(1);
}
step("all passed");
// the worker beside the browser tests would keep this process alive
process.exit(0);
