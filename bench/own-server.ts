import { chromiumFlags } from "../scripts/lib/chromium-flags";
import { spawn } from "node:child_process";
import { chromium, type Browser, type BrowserServer } from "@playwright/test";
import { freePort, serve } from "../scripts/lib/run.mjs";
import { pause } from "./house";

/** Pages and rooms in one process: a browser asks one address for both. */
export async function ownServer(): Promise<{ origin: string; stop: () => void }> {
  const port = await freePort(4970);
  const origin = `http://127.0.0.1:${port}`;
  const env = { ...process.env, PORT: String(port), STAGE_CALL_URL: origin, STAGE_CALL_PART: "web+live" };
  const server = spawn("node", serve, {
    env,
    stdio: ["ignore", "ignore", "inherit"],
  });
  for (;;) {
    if (
      await fetch(`${origin}/health`).then(
        (one) => one.ok,
        () => false,
      )
    )
      break;
    await pause(300);
  }
  return { origin, stop: () => server.kill() };
}

const executablePath = "/usr/bin/chromium";
export const aBrowser = (...flags: string[]): Promise<Browser> =>
  chromium.launch({ executablePath, args: [...chromiumFlags, ...flags] });
/** One whose processes can be stopped. @param executable what begins it, where it is not begun as usual */
export const browserServer = (flags: readonly string[], executable = executablePath): Promise<BrowserServer> =>
  chromium.launchServer({ executablePath: executable, args: [...chromiumFlags, ...flags] });
