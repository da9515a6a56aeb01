// Makes scripts/demo/shore.webm, the demo's recording: an hour of a drawn shore with its time in the picture.
// Run by hand when it is to look different: node --import tsx scripts/demo/make-shore.ts
import { readFileSync, writeFileSync } from "node:fs";
import { join } from "node:path";
import { chromium } from "playwright";
import { chromiumFlags } from "../lib/chromium-flags";

const folder = import.meta.dirname;
const library = readFileSync(join(folder, "../../node_modules/mediabunny/dist/bundles/mediabunny.min.mjs"), "utf8");

/** Runs in the page: draws, encodes, and gives the file as base 64. */
const made = `
import * as media from "data:text/javascript;base64,${Buffer.from(library).toString("base64")}";
const [width, height, seconds, everySeconds, keyEverySeconds] = [640, 360, 3600, 4, 20];
const canvas = new OffscreenCanvas(width, height);
const pen = canvas.getContext("2d", { alpha: false });
const two = (n) => String(Math.floor(n)).padStart(2, "0");
function draw(at) {
  const tide = 40 * Math.sin((at / 3600) * Math.PI);
  pen.fillStyle = "#dbe5dd"; pen.fillRect(0, 0, width, height);
  pen.fillStyle = "#f0bf5f"; pen.beginPath(); pen.arc(60 + at * 0.14, 150 - 80 * Math.sin((at / 3600) * Math.PI), 19, 0, 7); pen.fill();
  pen.fillStyle = "#8a9b77"; pen.fillRect(0, 200, width, height);
  pen.fillStyle = "#0e5a5a"; pen.beginPath(); pen.moveTo(0, height);
  for (let x = 0; x <= width; x += 16) pen.lineTo(x, 262 - tide + 5 * Math.sin(x / 70 + at / 9));
  pen.lineTo(width, height); pen.fill();
  pen.strokeStyle = "#2b3433"; pen.lineWidth = 2.5;
  for (let i = 0; i < 9; i += 1) {
    const [x, y] = [((i * 83 + at * (1.5 + i * 0.2)) % (width + 40)) - 20, 55 + ((i * 47) % 110)];
    pen.beginPath(); pen.moveTo(x - 11, y + 3); pen.quadraticCurveTo(x - 6, y - 6, x, y + 2); pen.quadraticCurveTo(x + 6, y - 6, x + 11, y + 3); pen.stroke();
  }
  pen.fillStyle = "#2b3433"; pen.font = "22px monospace"; pen.fillText(two(at / 60) + ":" + two(at % 60), 16, 32);
}
const output = new media.Output({ format: new media.WebMOutputFormat(), target: new media.BufferTarget() });
const source = new media.CanvasSource(canvas, { codec: "vp8", bitrate: 4000, keyFrameInterval: keyEverySeconds, latencyMode: "quality" });
output.addVideoTrack(source, { frameRate: 1 / everySeconds });
await output.start();
for (let at = 0; at < seconds; at += everySeconds) { draw(at); await source.add(at, everySeconds); }
await output.finalize();
const bytes = new Uint8Array(output.target.buffer);
let text = "";
for (let i = 0; i < bytes.length; i += 8192) text += String.fromCharCode(...bytes.subarray(i, i + 8192));
window.made = btoa(text);
`;
const browser = await chromium.launch({ executablePath: "/usr/bin/chromium", args: [...chromiumFlags] });
const page = await browser.newPage();
// encoders are there for pages of a secure context alone
await page.route("http://localhost/", (route) =>
  route.fulfill({ contentType: "text/html", body: "<title>shore</title>" }),
);
await page.goto("http://localhost/");
await page.addScriptTag({ type: "module", content: made });
await page.waitForFunction(() => "made" in window, undefined, { timeout: 600_000 });
const text = await page.evaluate<string>("window.made");
writeFileSync(join(folder, "shore.webm"), Buffer.from(text, "base64"));
await browser.close();
