import { defineConfig } from "@playwright/test";
import { chromiumFlags } from "./scripts/lib/chromium-flags";

const flags = [
  ...chromiumFlags,
  "--disable-quic",
  "--no-first-run",
  // few pictures a second: what is looked at is that they come, and every page of a journey draws them by itself
  "--use-fake-device-for-media-stream=fps=5",
  "--use-fake-ui-for-media-stream",
];
const server = (command: string, url: string) => ({
  command,
  url,
  reuseExistingServer: false,
  timeout: 60_000,
  stdout: "pipe" as const,
  stderr: "pipe" as const,
});
const tsx = "node --conditions=react-server --import tsx";

export default defineConfig({
  testDir: "e2e",
  fullyParallel: false,
  workers: 1,
  // limits tell a journey that hangs from one on a machine that is starved for a while; what is promised in seconds
  // has its own
  timeout: 600_000,
  expect: { timeout: 60_000 },
  reporter: [["list"]],
  use: {
    baseURL: process.env["STAGE_CALL_URL"],
    viewport: { width: 1280, height: 800 },
    locale: "en-GB",
    timezoneId: "Europe/Lisbon",
    // an act that cannot be done is told at once, not at the end of the journey's own time
    actionTimeout: 60_000,
    // A trace photographs the page at every act; it is asked for (E2E_TRACE=1) when a failure is looked into.
    trace: process.env["E2E_TRACE"] ? "retain-on-failure" : "off",
    screenshot: "only-on-failure",
    launchOptions: { executablePath: "/usr/bin/chromium", args: flags },
  },
  // a whole run serves its lanes itself
  webServer: process.env["STAGE_CALL_SERVED"]
    ? []
    : [
        server(`${tsx} scripts/mail-server.ts`, process.env["MAIL_URL"] ?? ""),
        server(
          "STAGE_CALL_PART=web+live node --import tsx scripts/serve.ts",
          `${process.env["STAGE_CALL_URL"]}/health`,
        ),
      ],
});
