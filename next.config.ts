import type { NextConfig } from "next";

const config: NextConfig = {
  // start and test build side by side
  distDir: process.env["STAGE_CALL_DIST"] ?? ".next",
  poweredByHeader: false,
  // npm test has checked the types by then, with the very compiler
  typescript: { ignoreBuildErrors: process.env["TYPES_ARE_CHECKED"] === "1" },
  serverExternalPackages: [
    "pg",
    "pg-boss",
    "piscina",
    "request-filtering-agent",
    "nodemailer",
    "better-auth",
    "sanitize-html",
    "file-type",
    "@napi-rs/canvas",
    "exceljs",
    "yazl",
  ],
  // what a page is called comes with the page: a title of its own does not leave and return while a seat is taken
  htmlLimitedBots: /./,
  experimental: { serverActions: { bodySizeLimit: "25mb" } },
};

export default config;
