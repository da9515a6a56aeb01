// npm run shots: one picture of each main view of the running demo (npm start), into docs/screenshots.
import { readFileSync } from "node:fs";
import { join } from "node:path";
import { has, needPackages, root, run, tsx } from "./lib/run.mjs";

const data = join(root, "var/demo");
if (!has(join(data, "start.pid"))) {
  console.error("Start the demo first: npm start");
  process.exit(1);
}
if (!has("/usr/bin/chromium")) needPackages(["chromium"]);
const [, address] = readFileSync(join(data, "start.pid"), "utf8").split("\n");
const databasePort = readFileSync(join(data, "postgres/port"), "utf8").trim();
run("node", [...tsx, "scripts/shots.ts", ...process.argv.slice(2)], {
  env: {
    ...process.env,
    STAGE_CALL_URL: address,
    DATABASE_URL: `postgres://stagecall@127.0.0.1:${databasePort}/stagecall`,
    STAGE_CALL_SECRET: readFileSync(join(data, "secret"), "utf8").trim(),
    STAGE_CALL_FILES: join(data, "files"),
  },
});
