import { steadyTimer } from "../../room-link/signs";
import { workedSize, type Background } from "./kinds";
import { Pace } from "./pace";

const picturesASecond = 15;
/** Beginning takes long: the program is fetched, and its model. */
const silentMs = 20_000;

export interface BehindPorts {
  readonly background: Exclude<Background, "room">;
  /** of the event, as CSS has it */
  readonly colour: string;
  /** of the event; null: it has none */
  readonly pictureUrl: string | null;
  /** the first picture is there: from now on this track is to be shown in the camera's place */
  ready(track: MediaStreamTrack): void;
  /** this computer cannot keep up, or knows no such work */
  tooSlow(): void;
}
/** What the worker is told, and says. */
type Made = { readonly picture: ImageBitmap; readonly tookMs: number } | { readonly failed: string };

/** A worker that knows a person from what is behind; it is no module, and fetches what it needs itself. */
async function begin(own: Worker, { background, colour, pictureUrl }: BehindPorts): Promise<void> {
  const response = background === "picture" && pictureUrl ? await fetch(pictureUrl) : null;
  const picture = response?.ok ? await createImageBitmap(await response.blob()) : null;
  own.postMessage({ background, colour, picture, ...workedSize }, picture ? [picture] : []);
}

/**
 * A camera's picture with something else behind the person, worked on in a thread of its own.
 * @returns what ends the work; the camera itself goes on
 */
export function behind(camera: MediaStreamTrack, ports: BehindPorts): () => void {
  const video = document.createElement("video");
  video.muted = true;
  // of its own: whoever closes their camera closes what is sent of it, and finds it at work when they open it again
  const seen = camera.clone();
  seen.enabled = true;
  video.srcObject = new MediaStream([seen]);
  void video.play().catch(() => {});
  const canvas = Object.assign(document.createElement("canvas"), workedSize);
  const sheet = canvas.getContext("bitmaprenderer")!;
  const worker = new Worker("/background/worker.js");
  const pace = new Pace();
  let askedAt: number | null = null;
  let isReady = false;
  let isOver = false;
  const giveUp = () => {
    if (isOver) return;
    stop();
    ports.tooSlow();
  };
  worker.onerror = giveUp;
  worker.onmessage = ({ data }: MessageEvent<Made>) => {
    askedAt = null;
    if ("failed" in data) return giveUp();
    sheet.transferFromImageBitmap(data.picture);
    if (!isReady) ports.ready(track!);
    isReady = true;
    if (pace.isTooSlow(data.tookMs)) giveUp();
  };
  const stopTimer = steadyTimer(1000 / picturesASecond, () => {
    // one at a time: what comes meanwhile is left out
    if (askedAt !== null && performance.now() - askedAt > silentMs) return giveUp();
    if (askedAt !== null || video.readyState < video.HAVE_CURRENT_DATA) return;
    askedAt = performance.now();
    void createImageBitmap(video, { resizeWidth: workedSize.width, resizeHeight: workedSize.height }).then(
      (picture) => worker.postMessage({ picture }, [picture]),
      () => (askedAt = null),
    );
  });
  const [track] = canvas.captureStream(picturesASecond).getVideoTracks();
  function stop(): void {
    isOver = true;
    stopTimer();
    worker.terminate();
    video.srcObject = null;
    seen.stop();
    track!.stop();
  }
  void begin(worker, ports).catch(giveUp);
  return stop;
}
