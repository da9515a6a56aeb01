import {
  EncodedPacketSink,
  type EncodedAudioPacketSource,
  type EncodedPacket,
  type EncodedVideoPacketSource,
  type InputAudioTrack,
  type InputVideoTrack,
} from "mediabunny";

/** Where encoded pictures and sound go: of the file that is being made. */
export interface Tracks {
  readonly video: EncodedVideoPacketSource;
  readonly audio: EncodedAudioPacketSource | null;
}
/** What of a file is laid, on its own clock, and where it begins in the file that is being made. */
export interface Stretch {
  /** a picture that stands by itself */
  readonly first: EncodedPacket;
  readonly toSeconds: number;
  readonly atSeconds: number;
}
/** Clocks of media are fractions: less apart is the same instant. */
const sameSeconds = 1e-3;

/** Pictures are laid so far ahead of their sound at most: what writes the file holds one track until the other is there. */
const aheadSeconds = 2;

/**
 * @param reached told now and then how long the pictures laid so far are, in seconds
 * @returns how long all of them are
 */
async function layPictures(
  source: EncodedVideoPacketSource,
  track: InputVideoTrack,
  pictures: EncodedPacketSink,
  { first, toSeconds, atSeconds }: Stretch,
  reached: (seconds: number) => Promise<void>,
): Promise<number> {
  const config = await track.getDecoderConfig();
  let end = first.timestamp;
  let told = end;
  // a piece whose clock begins a little before the last picture of the one before it (an encoder's rounding, a clock
  // that was set) is held there: nothing may stand before what a picture that stands by itself has closed
  let [latest, floor] = [-Infinity, -Infinity];
  // in the order of their decoding: whatever follows the first that is beyond the stretch needs nothing of it
  for await (const packet of pictures.packets(first)) {
    if (packet.timestamp >= toSeconds - sameSeconds) break;
    const own = atSeconds + packet.timestamp - first.timestamp;
    if (own < atSeconds) continue;
    if (packet.type === "key") floor = latest;
    const timestamp = Math.max(own, floor);
    latest = Math.max(latest, timestamp);
    await source.add(packet.clone({ timestamp }), config ? { decoderConfig: config } : undefined);
    end = Math.max(end, packet.timestamp + packet.duration);
    if (end - told < aheadSeconds) continue;
    told = end;
    await reached(Math.min(end, toSeconds) - first.timestamp);
  }
  return Math.min(end, toSeconds) - first.timestamp;
}

/** The sound of those pictures: what began before them, or outlasts them, is left out. */
async function soundOf(
  source: EncodedAudioPacketSource,
  track: InputAudioTrack,
  { first, atSeconds }: Stretch,
): Promise<(lastsSeconds: number) => Promise<void>> {
  const [sound, config] = [new EncodedPacketSink(track), await track.getDecoderConfig()];
  const start = (await sound.getPacket(first.timestamp)) ?? (await sound.getFirstPacket());
  if (!start) return async () => {};
  const packets = sound.packets(start);
  let next = await packets.next();
  let latest = -Infinity;
  /** Lays what fits beside so many seconds of pictures; what does not waits for more of them. */
  return async (lastsSeconds) => {
    for (; !next.done; next = await packets.next()) {
      const packet = next.value;
      const from = packet.timestamp - first.timestamp;
      if (from + packet.duration > lastsSeconds + sameSeconds) return;
      if (from < -sameSeconds / 1000) continue;
      const timestamp = Math.max(atSeconds + Math.max(0, from), latest);
      latest = timestamp;
      await source.add(packet.clone({ timestamp }), config ? { decoderConfig: config } : undefined);
    }
  };
}

/** Lays a stretch of one file into another, nothing encoded again. @returns how long it is, in seconds */
export async function layStretch(
  tracks: Tracks,
  from: {
    readonly video: InputVideoTrack;
    readonly pictures: EncodedPacketSink;
    readonly audio: InputAudioTrack | null;
  },
  stretch: Stretch,
): Promise<number> {
  const sound = from.audio && tracks.audio ? await soundOf(tracks.audio, from.audio, stretch) : async () => {};
  const lastsSeconds = await layPictures(tracks.video, from.video, from.pictures, stretch, sound);
  await sound(lastsSeconds);
  return lastsSeconds;
}
