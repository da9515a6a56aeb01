import {
  EncodedAudioPacketSource,
  EncodedPacketSink,
  EncodedVideoPacketSource,
  Mp4OutputFormat,
  Output,
  WebMOutputFormat,
  type EncodedPacket,
  type InputAudioTrack,
  type InputVideoTrack,
  type OutputFormat,
  type Input,
} from "mediabunny";
import { recordedMs, type Span } from "@/core/programme";
import { mediaFile, mediaTarget } from "./media-file";
import { layStretch, type Tracks } from "./lay-packets";
import type { CutJob } from "./media-words";

interface Sources {
  readonly video: InputVideoTrack;
  readonly audio: InputAudioTrack | null;
}
interface Made {
  readonly durationSeconds: number;
  readonly kept: readonly Span[];
}

/** The first picture from there on that needs no other before it: nothing that was cut is shown. */
async function firstKeyFrom(sink: EncodedPacketSink, seconds: number): Promise<EncodedPacket | null> {
  const before = await sink.getKeyPacket(seconds, { verifyKeyPackets: true });
  if (before && before.timestamp >= seconds - 1e-3) return before;
  return before
    ? sink.getNextKeyPacket(before, { verifyKeyPackets: true })
    : sink.getFirstPacket({ verifyKeyPackets: true });
}

async function formatOf(input: Input): Promise<OutputFormat> {
  const { name } = await input.getFormat();
  // a player need not look for what reads the file at its end
  return name === "WebM" || name === "Matroska"
    ? new WebMOutputFormat()
    : new Mp4OutputFormat({ fastStart: "reserve" });
}
/** Room for what reads an MP4, at its beginning: more a second than any camera or sound makes. */
const packetsASecond = { video: 125, audio: 130 };

async function addSpans(
  { video, audio }: Sources,
  tracks: Tracks,
  spans: readonly Span[],
  tell: (done: number, all: number) => void,
): Promise<Made> {
  const pictures = new EncodedPacketSink(video);
  const kept: Span[] = [];
  let atSeconds = 0;
  for (const [i, span] of spans.entries()) {
    const first = await firstKeyFrom(pictures, span.from / 1000);
    const toSeconds = span.to / 1000;
    if (first && first.timestamp < toSeconds) {
      const lastsSeconds = await layStretch(tracks, { video, pictures, audio }, { first, toSeconds, atSeconds });
      const ms = (seconds: number) => Math.round(seconds * 1000);
      kept.push({ from: ms(first.timestamp), to: ms(first.timestamp + lastsSeconds) });
      atSeconds += lastsSeconds;
    }
    tell(i + 1, spans.length);
  }
  return { durationSeconds: atSeconds, kept };
}

/**
 * One file of what stays of another (rule 25): nothing is encoded again. A span begins with the first picture in it
 * that stands by itself, at most a second later in what the room recorded.
 * @throws Error where there is no picture, or nothing would be left
 */
export async function cutMedia(
  { path, kept, outPath }: Omit<CutJob, "kind">,
  tell: (done: number, all: number) => void = () => {},
): Promise<Made> {
  const input = mediaFile(path);
  const [video, audio] = [await input.getPrimaryVideoTrack(), await input.getPrimaryAudioTrack()];
  if (!video?.codec) throw new Error("no picture in the file");
  const output = new Output({ format: await formatOf(input), target: mediaTarget(outPath) });
  const sources = {
    video: new EncodedVideoPacketSource(video.codec),
    audio: audio?.codec ? new EncodedAudioPacketSource(audio.codec) : null,
  };
  const seconds = Math.ceil(recordedMs(kept) / 1000) + 10;
  output.addVideoTrack(sources.video, {
    rotation: await video.getRotation(),
    maximumPacketCount: seconds * packetsASecond.video,
  });
  if (sources.audio) output.addAudioTrack(sources.audio, { maximumPacketCount: seconds * packetsASecond.audio });
  await output.start();
  const made = await addSpans({ video, audio }, sources, kept, tell);
  if (made.kept.length === 0) throw new Error("nothing would be left");
  await output.finalize();
  return made;
}
