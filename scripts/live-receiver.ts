import { startLiveReceiver } from "../src/stand-ins/live-receiver";

const port = Number(process.env["LIVE_RECEIVER_PORT"] ?? 1935);
const key = process.env["LIVE_RECEIVER_KEY"] ?? "kept-for-the-demo";
const { streams } = startLiveReceiver({ port, keys: [key] });
console.log(`takes a programme at rtmp://127.0.0.1:${port}/stage with the key ${key}`);
setInterval(() => {
  const last = streams.at(-1);
  if (last && !last.isOver) console.log(`${last.pictures} pictures, ${last.sounds} sounds`);
}, 5000);
