import { execFile, spawn } from "node:child_process";
import { chmodSync, existsSync, mkdtempSync, readFileSync, rmSync, writeFileSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { promisify } from "node:util";
import { freePort, until } from "../scripts/lib/run.mjs";
import { cpuOf, record, say } from "./figures";
import { pause } from "./house";
import { origin, serverPid } from "./live";
import { onAir } from "./media";

const seconds = 15;
/** of the programme's picture and sound, as the bench's pieces are made */
const bytesASecond = 900_000 / 8;
const crowds = [100, 1000, 3000] as const;

/** What every connection asks for in turn: the list, then the newest piece in it. */
const viewer = (path: string, pass: string) => `
local list, piece, turn = "${path}/programme.m3u8?pass=${pass}", nil, 0
request = function()
  turn = turn + 1
  return wrk.format("GET", turn % 2 == 0 and piece or list)
end
response = function(status, headers, body)
  if status ~= 200 or #body > 20000 then return end
  local last
  for name in body:gmatch("piece%-[%w%-]+%.m4s[^\\n]*") do last = name end
  if last then piece = "${path}/" .. last end
end
`;

/** The shipped configuration, in front of the bench's own server. */
async function proxy(folder: string): Promise<{ url: string; stop(): void }> {
  const port = await freePort(4980);
  const server = `server ${new URL(origin).host};`;
  const text = readFileSync("deploy/nginx.conf", "utf8")
    .replaceAll("RUN_FOLDER", folder)
    .replace("WEB_SERVERS", server)
    .replace("LIVE_SERVERS", server)
    .replace("LISTEN_ADDRESS", `127.0.0.1:${port}`);
  writeFileSync(join(folder, "nginx.conf"), text);
  const child = spawn("/usr/sbin/nginx", ["-c", join(folder, "nginx.conf"), "-g", "daemon off;"], { stdio: "ignore" });
  const url = `http://127.0.0.1:${port}`;
  await until("the proxy", async () => (await fetch(`${url}/health`)).status < 500);
  return { url, stop: () => child.kill() };
}

/** The programme through the tested cache: as many as this machine can pull, while its origin answers as ever. */
export async function cachedBench(): Promise<void> {
  if (!existsSync("/usr/bin/wrk") || !existsSync("/usr/sbin/nginx"))
    return say("programme-cached: left out, it needs Debian's wrk and nginx-light");
  const folder = mkdtempSync(join(tmpdir(), "cached-bench-"));
  // the proxy's workers are another user
  chmodSync(folder, 0o755);
  const programme = await onAir();
  const { url, stop } = await proxy(folder);
  const script = join(folder, "viewer.lua");
  writeFileSync(script, viewer(programme.path, programme.pass));
  let isOver = false;
  const air = (async () => {
    while (!isOver) {
      const from = performance.now();
      await programme.piece();
      await pause(Math.max(0, 1000 - (performance.now() - from)));
    }
  })();
  await pause(4000);
  for (const crowd of crowds) {
    const before = cpuOf(serverPid);
    const { stdout } = await promisify(execFile)("wrk", [
      ...["-t", "1", "-c", String(crowd), "-d", `${seconds}s`, "--latency", "--timeout", "10s", "-s", script],
      `${url}/`,
    ]);
    const cpu = cpuOf(serverPid) - before;
    const ms = (share: string) => {
      const [, value, unit] = new RegExp(`${share}%\\s+([\\d.]+)(us|ms|s)`).exec(stdout) ?? [];
      return Number(value) * ({ us: 0.001, ms: 1, s: 1000 }[unit as "us" | "ms" | "s"] ?? NaN);
    };
    record(
      { name: `programme-cached-${crowd}`, n: crowd, median: ms("50"), p99: ms("99"), cpu, bare: null },
      "3,000 at a time; the origin's load as with 100",
    );
    const [, rate, unit] = /Transfer\/sec:\s+([\d.]+)(MB|GB)/.exec(stdout) ?? [];
    const bytes = Number(rate) * (unit === "GB" ? 1e9 : 1e6);
    const failed = /Non-2xx.*|Socket errors.*/.exec(stdout)?.[0] ?? "no error";
    say(
      `  ${(bytes / 1e6).toFixed(0)} MB a second: enough for ${Math.round(bytes / bytesASecond)} viewers; origin ${((cpu / seconds / 1000) * 100).toFixed(1)} % of a core; ${failed}`,
    );
  }
  isOver = true;
  await air;
  stop();
  programme.stop();
  // the proxy may be writing yet
  rmSync(folder, { recursive: true, force: true, maxRetries: 5, retryDelay: 300 });
}
