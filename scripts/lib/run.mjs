import { spawn, spawnSync } from "node:child_process";
import { createHash } from "node:crypto";
import { existsSync, mkdirSync, readFileSync, writeFileSync } from "node:fs";
import { createServer } from "node:net";
import { dirname, join, resolve } from "node:path";
import { fileURLToPath } from "node:url";

export const root = resolve(dirname(fileURLToPath(import.meta.url)), "../..");
export const isRoot = process.getuid?.() === 0;
export const say = (text) => console.log(`\u2502 ${text}`);

/** Runs a command to its end; its failure ends this one too. */
export function run(command, args, options = {}) {
  const done = spawnSync(command, args, { cwd: root, stdio: "inherit", ...options });
  if (done.status !== 0) {
    console.error(`\n${command} ${args.join(" ")} failed (${done.status ?? done.signal})`);
    process.exit(done.status ?? 1);
  }
}

/** The same beside others: this one goes on meanwhile. @returns what it said on a piped stderr, shown here too */
export const ran = (command, args, options = {}) =>
  new Promise((done) => {
    const child = spawn(command, args, { cwd: root, stdio: "inherit", ...options });
    let said = "";
    child.stderr?.on("data", (chunk) => {
      said += chunk;
      process.stderr.write(chunk);
    });
    const stop = () => child.kill();
    process.once("exit", stop);
    child.on("close", (code, signal) => {
      process.off("exit", stop);
      if (code === 0) return done(said);
      console.error(`\n${command} ${args.join(" ")} failed (${code ?? signal})`);
      process.exit(code ?? 1);
    });
  });

/**
 * How a server process is begun. Much of what a report or a crowd's messages are made of lives for a moment only: with
 * the engine's own small space for it (16 MB) a third of the time went into carrying it over, measured. Carried by one
 * thread: with the engine's four a house that comes back took a quarter more processor time, a report as much longer.
 */
export const serve = ["--max-semi-space-size=64", "--no-parallel-scavenge", "--import", "tsx", "scripts/serve.ts"];

export const has = (path) => existsSync(path);

/** Installs Debian packages where that is possible, else says which are missing. */
export function needPackages(packages) {
  if (!isRoot) {
    console.error(
      `Missing on this machine: ${packages.join(", ")}. Install with: sudo apt-get install ${packages.join(" ")}`,
    );
    process.exit(1);
  }
  say(`installing ${packages.join(", ")}`);
  const env = { ...process.env, DEBIAN_FRONTEND: "noninteractive" };
  // start and test may meet here on a fresh machine
  withLock("apt", () => {
    run("apt-get", ["update", "-qq"], { env });
    run("apt-get", ["install", "-y", "-qq", "--no-install-recommends", "-o", "DPkg::Lock::Timeout=300", ...packages], {
      env,
      stdio: ["ignore", "ignore", "inherit"],
    });
  });
}

/** `npm ci`, unless what is installed came from this very lockfile. */
export function needModules() {
  const stamp = join(root, "node_modules/.stage-call-lock");
  const lock = createHash("sha256")
    .update(readFileSync(join(root, "package-lock.json")))
    .digest("hex");
  if (existsSync(stamp) && readFileSync(stamp, "utf8") === lock) return;
  say("installing packages (npm ci)");
  withLock("npm", () => {
    if (existsSync(stamp) && readFileSync(stamp, "utf8") === lock) return;
    run("npm", ["ci", "--no-audit", "--no-fund", "--loglevel=error"]);
    writeFileSync(stamp, lock);
  });
}

/** One at a time: start and test may run together and share node_modules. */
function withLock(name, act) {
  const folder = join(root, "var");
  mkdirSync(folder, { recursive: true });
  const path = join(folder, `${name}.lock`);
  for (;;) {
    try {
      writeFileSync(path, String(process.pid), { flag: "wx" });
      break;
    } catch {
      const holder = Number(readFileSync(path, "utf8"));
      const isAlive = spawnSync("kill", ["-0", String(holder)]).status === 0;
      if (!isAlive) spawnSync("rm", ["-f", path]);
      else spawnSync("sleep", ["1"]);
    }
  }
  try {
    act();
  } finally {
    spawnSync("rm", ["-f", path]);
  }
}

export const freePort = (from) =>
  new Promise((done) => {
    const server = createServer();
    server.once("error", () => done(freePort(from + 1)));
    server.listen(from, "127.0.0.1", () => server.close(() => done(from)));
  });

/** A child that lives as long as this process. */
export function keep(command, args, env, options = {}) {
  const child = spawn(command, args, {
    cwd: root,
    env: { ...process.env, ...env },
    stdio: ["ignore", "inherit", "inherit"],
    ...options,
  });
  process.once("exit", () => child.kill("SIGTERM"));
  return child;
}

export async function until(what, check, seconds = 60) {
  const end = Date.now() + seconds * 1000;
  for (;;) {
    if (await check().catch(() => false)) return;
    if (Date.now() > end) throw new Error(`${what}: not ready after ${seconds} s`);
    await new Promise((done) => setTimeout(done, 150));
  }
}

export const tsx = ["--conditions=react-server", "--import", "tsx"];
