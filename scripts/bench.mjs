// npm run bench: the speeds that issue and documents name, measured on this machine. Own database and ports.
import { spawnSync } from "node:child_process";
import { mkdirSync, rmSync } from "node:fs";
import { join } from "node:path";
import { createDatabase, startPostgres } from "./lib/postgres.mjs";
import { freePort, has, keep, needModules, needPackages, root, run, say, serve, tsx, until } from "./lib/run.mjs";

const rows = process.argv.slice(2);
const isOnPath = (name) => spawnSync("which", [name]).status === 0;
/** What rows of their own need: a program, its package, the rows. */
const missing = [
  ["pdftoppm", "poppler-utils", ["decks"]],
  ["nginx", "nginx-light", ["programme-cached"]],
  ["wrk", "wrk", ["programme-cached"]],
  ["ip", "iproute2", ["weak-line"]],
  ["python3", "python3", ["weak-line"]],
].filter(([program, , of]) => (rows.length === 0 || of.some((one) => rows.includes(one))) && !isOnPath(program));
if (missing.length > 0) needPackages(missing.map(([, name]) => name));
needModules();
const folder = join(root, "var/bench");
mkdirSync(folder, { recursive: true });
const cluster = await startPostgres(join(folder, "postgres"));
process.once("exit", () => cluster.stop());
const port = await freePort(4600);
rmSync(join(folder, "files"), { recursive: true, force: true });
const env = {
  ...process.env,
  NODE_ENV: "production",
  DATABASE_URL: createDatabase(cluster, "stagecall_bench", { isFresh: true }),
  STAGE_CALL_URL: `http://127.0.0.1:${port}`,
  PORT: String(port),
  STAGE_CALL_SECRET: "only-for-the-bench-0123456789abcdef-012345",
  STAGE_CALL_FILES: join(folder, "files"),
  STAGE_CALL_TRIES: "lenient",
  // the bench plays a proxy in front of many networks
  STAGE_CALL_TRUSTED_HOPS: "1",
  STAGE_CALL_DIST: has(join(root, ".next/BUILD_ID")) ? ".next" : ".next-test",
};
run("node", [...tsx, "scripts/migrate.ts"], { env });
run("node", [...tsx, "scripts/seed.ts"], { env });
const buildId = join(root, env.STAGE_CALL_DIST, "BUILD_ID");
// a build from before the last change would be measured in its place
const newer = ["src", "-newer", buildId, "-type", "f", "-print", "-quit"];
if (!has(buildId) || spawnSync("find", newer, { cwd: root }).stdout.length > 0) run("npx", ["next", "build"], { env });
// BENCH_PROFILE=folder: profiles of the server and of the bench
const profile = process.env.BENCH_PROFILE ? ["--cpu-prof", `--cpu-prof-dir=${process.env.BENCH_PROFILE}`] : [];
// as `deploy/` has it: pages and live rooms are processes of their own
const part = (name, env) =>
  keep("node", [...profile, ...serve], { ...env, STAGE_CALL_PART: name }, { stdio: ["ignore", "ignore", "inherit"] });
const livePort = await freePort(port + 1);
const liveUrl = `http://127.0.0.1:${livePort}`;
const web = part("web", env);
const live = part("live", { ...env, PORT: String(livePort) });
for (const url of [env.STAGE_CALL_URL, liveUrl])
  await until("the server", async () => (await fetch(`${url}/health`)).ok);
say("measuring");
Object.assign(env, { SERVER_PID: String(web.pid), LIVE_URL: liveUrl, LIVE_PID: String(live.pid) });
run("node", ["--expose-gc", ...profile, ...tsx, "bench/main.ts", ...process.argv.slice(2)], { env });
process.exit(0);
