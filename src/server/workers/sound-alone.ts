import { EncodedAudioPacketSource, EncodedPacketSink, Mp4OutputFormat, Output } from "mediabunny";
import { mediaFile, mediaTarget } from "./media-file";
import type { SoundJob } from "./media-words";

/** Room for what reads it at its beginning: more packets a second than any sound makes. */
const packetsASecond = 130;

/** Writes the sound of a recording, packet for packet, to a file of its own. @returns its length in seconds */
export async function soundAlone({ path, outPath }: Omit<SoundJob, "kind">): Promise<number> {
  const input = mediaFile(path);
  const audio = await input.getPrimaryAudioTrack();
  const codec = await audio?.getCodec();
  if (!audio || !codec) throw new Error("no sound");
  const output = new Output({
    format: new Mp4OutputFormat({ fastStart: "reserve" }),
    target: mediaTarget(outPath),
  });
  const source = new EncodedAudioPacketSource(codec);
  const seconds = await audio.computeDuration();
  output.addAudioTrack(source, { maximumPacketCount: Math.ceil(seconds + 10) * packetsASecond });
  await output.start();
  const decoderConfig = (await audio.getDecoderConfig())!;
  for await (const packet of new EncodedPacketSink(audio).packets()) await source.add(packet, { decoderConfig });
  await output.finalize();
  return seconds;
}
