import { soundFeed } from "@/core/programme";
import { voiceBits, VoiceEncoder } from "../composer/encode";
import { FeedSender } from "../composer/feed-sender";

interface Place {
  readonly occurrenceId: string;
  readonly as: string;
  readonly device: string;
  readonly language: string;
}

/** Sends one interpreter's voice on its channel, for as long as it is open. */
export class ChannelSender {
  private readonly sender: FeedSender;

  constructor(
    { occurrenceId, as, device, language }: Place,
    /** a copy of the microphone of its own: open here while it is closed to the stage */
    private readonly voice: MediaStreamAudioTrack,
  ) {
    const query = new URLSearchParams({ feed: soundFeed(language), device, as });
    this.sender = new FeedSender({
      leaseUrl: `/live/${occurrenceId}/lease?${query}`,
      piecesUrl: `/live/${occurrenceId}/pieces?${query}`,
      encoder: (ports) => new VoiceEncoder(voice, voiceBits, ports),
      isHolding: () => false,
    });
  }
  close(): void {
    this.sender.close();
    this.voice.stop();
  }
}
