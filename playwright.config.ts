import { defineConfig } from "@playwright/test";

const flags = [
  "--no-sandbox",
  "--disable-gpu",
  "--disable-quic",
  "--no-first-run",
  "--disable-background-networking",
  "--disable-component-update",
  "--disable-sync",
  "--use-fake-device-for-media-stream",
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
  timeout: 360_000,
  expect: { timeout: 40_000 },
  reporter: [["list"]],
  use: {
    baseURL: process.env["STAGE_CALL_URL"],
    viewport: { width: 1280, height: 800 },
    locale: "en-GB",
    timezoneId: "Europe/Lisbon",
    // A trace photographs the page at every act; it is asked for (E2E_TRACE=1) when a failure is looked into.
    trace: process.env["E2E_TRACE"] ? "retain-on-failure" : "off",
    screenshot: "only-on-failure",
    launchOptions: { executablePath: "/usr/bin/chromium", args: flags },
  },
  webServer: [
    server(`${tsx} scripts/mail-server.ts`, process.env["MAIL_URL"] ?? ""),
    server("STAGE_CALL_PART=web+live node --import tsx scripts/serve.ts", `${process.env["STAGE_CALL_URL"]}/health`),
  ],
});
