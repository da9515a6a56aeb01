import { spawnSync } from "node:child_process";
import { existsSync, mkdirSync, readFileSync, readdirSync, rmSync, writeFileSync } from "node:fs";
import { join } from "node:path";
import { freePort, isRoot, needPackages, say } from "./run.mjs";

function binaries() {
  const base = "/usr/lib/postgresql";
  const versions = existsSync(base) ? readdirSync(base).sort((a, b) => Number(b) - Number(a)) : [];
  const found = versions.map((version) => join(base, version, "bin")).find((bin) => existsSync(join(bin, "initdb")));
  return found ?? null;
}

// the database server refuses to run as root
function asServer(bin, command, args) {
  const call = isRoot ? ["runuser", ["-u", "postgres", "--", join(bin, command), ...args]] : [join(bin, command), args];
  return spawnSync(call[0], call[1], { cwd: "/", encoding: "utf8" });
}

/** A cluster of its own in `folder`, started on loopback. @returns its URL without a database, and how to stop it */
export async function startPostgres(folder, { isForTests = false, isOwnAlone = false } = {}) {
  if (!binaries()) needPackages(["postgresql"]);
  const bin = binaries();
  const data = join(folder, "data");
  if (!existsSync(join(data, "PG_VERSION"))) {
    say("making the database cluster");
    rmSync(folder, { recursive: true, force: true });
    mkdirSync(folder, { recursive: true });
    if (isRoot) spawnSync("chown", ["postgres", folder]);
    const made = asServer(bin, "initdb", [
      "-D",
      data,
      "-U",
      "stagecall",
      "--auth=trust",
      "--encoding=UTF8",
      "--locale=C.UTF-8",
    ]);
    if (made.status !== 0) throw new Error(`initdb: ${made.stderr}`);
  }
  const stop = () => void asServer(bin, "pg_ctl", ["stop", "-w", "-m", "fast", "-D", data]);
  // one that is left over from a run that was cut off
  if (isOwnAlone) stop();
  const running = asServer(bin, "pg_ctl", ["status", "-D", data]);
  const portFile = join(folder, "port");
  if (running.status === 0 && existsSync(portFile)) {
    const port = Number(readFileSync(portFile, "utf8"));
    return { url: `postgres://stagecall@127.0.0.1:${port}`, port, stop: () => {}, isOurs: false, bin, data };
  }
  const port = await freePort(isForTests ? 56400 : 56300);
  writeFileSync(portFile, String(port));
  const settings = `-p ${port} -c listen_addresses=127.0.0.1 -c unix_socket_directories='${folder}' -c max_connections=200${isForTests ? " -c fsync=off -c synchronous_commit=off" : ""}`;
  const start = () => {
    const started = asServer(bin, "pg_ctl", [
      "start",
      "-w",
      "-D",
      data,
      "-l",
      join(folder, "server.log"),
      "-o",
      settings,
    ]);
    if (started.status !== 0) throw new Error(`pg_ctl: ${started.stdout}${started.stderr}`);
  };
  start();
  return { url: `postgres://stagecall@127.0.0.1:${port}`, port, start, stop, isOurs: true, bin, data };
}

export function createDatabase(cluster, name, { isFresh = false } = {}) {
  const psql = (text) =>
    spawnSync("psql", ["-X", "-q", "-At", `${cluster.url}/postgres`, "-c", text], { encoding: "utf8" });
  if (isFresh) psql(`drop database if exists ${name} with (force)`);
  const known = psql(`select 1 from pg_database where datname = '${name}'`).stdout.trim() === "1";
  if (!known) {
    const made = psql(`create database ${name}`);
    if (made.status !== 0) throw new Error(made.stderr);
  }
  return `${cluster.url}/${name}`;
}
