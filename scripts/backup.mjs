// npm run backup -- FOLDER: the demo's database, files and secret as one folder that `restore` takes.
// With DATABASE_URL, STAGE_CALL_FILES and STAGE_CALL_SECRET set it saves that installation instead.
import { cpSync, mkdirSync, renameSync, writeFileSync } from "node:fs";
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
  // the database first: a file that comes meanwhile is one too many, never a row whose file is missing
  const dump = join(target, "database.dump");
  run("pg_dump", ["--format=custom", "--no-owner", `--file=${dump}.part`, url]);
  if (has(files)) cpSync(files, join(target, "files"), { recursive: true });
  renameSync(`${dump}.part`, dump);
  // links in mails that left derive from it: without it every link dies
  writeFileSync(join(target, "secret"), secret, { mode: 0o600 });
});
say(`saved to ${target}`);
