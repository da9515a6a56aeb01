// npm run backup -- FOLDER: the demo's database, files and secret as one folder that `restore` takes.
// With DATABASE_URL, STAGE_CALL_FILES and STAGE_CALL_SECRET set it saves that installation instead.
import { cpSync, mkdirSync, writeFileSync } from "node:fs";
import { join, resolve } from "node:path";
import { withInstallation } from "./lib/installation.mjs";
import { has, run, say } from "./lib/run.mjs";

const target = resolve(process.argv[2] ?? join("var/backups", new Date().toISOString().replace(/[:.]/g, "-")));
if (has(join(target, "database.dump"))) {
  console.error(`${target} holds a backup already. Name another folder.`);
  process.exit(1);
}
await withInstallation(({ url, files, secret }) => {
  mkdirSync(target, { recursive: true, mode: 0o700 });
  // files first: a recording uploaded meanwhile is then missing from both or only from the database
  if (has(files)) cpSync(files, join(target, "files"), { recursive: true });
  run("pg_dump", ["--format=custom", "--no-owner", `--file=${join(target, "database.dump")}`, url]);
  // links in mails that left derive from it: without it every link dies
  writeFileSync(join(target, "secret"), secret, { mode: 0o600 });
});
say(`saved to ${target}`);
