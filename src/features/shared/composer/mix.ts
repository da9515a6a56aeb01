/** Levels move so fast that nothing clicks. */
const movesWithinSeconds = 0.03;

/** Everybody who is heard, in one sound: each with a level of their own, the whole held under the top by a limiter. */
export class Mix {
  private readonly context = new AudioContext({ sampleRate: 48_000 });
  private readonly out = this.context.createMediaStreamDestination();
  private readonly limiter = this.context.createDynamicsCompressor();
  private readonly voices = new Map<string, { readonly stream: MediaStream; readonly gain: GainNode; stop(): void }>();

  constructor() {
    // fast and steep: a limiter rather than a compressor
    this.limiter.threshold.value = -6;
    this.limiter.knee.value = 3;
    this.limiter.ratio.value = 20;
    this.limiter.attack.value = 0.003;
    this.limiter.release.value = 0.15;
    this.limiter.connect(this.out);
    // sound that never starts would hold the whole muxer up: silence is fed from the beginning
    const silence = this.context.createConstantSource();
    silence.offset.value = 0;
    silence.connect(this.limiter);
    silence.start();
  }
  get track(): MediaStreamTrack {
    return this.out.stream.getAudioTracks()[0]!;
  }
  /** Browsers begin sound only after an act on the page. @returns whether it runs */
  async start(): Promise<boolean> {
    await Promise.race([this.context.resume(), new Promise((done) => setTimeout(done, 500))]);
    return this.context.state === "running";
  }

  /** Who is heard now, and whose microphone is closed to the house. */
  set(streams: ReadonlyMap<string, MediaStream>, isHeard: (id: string) => boolean): void {
    for (const [id, voice] of this.voices)
      if (streams.get(id) !== voice.stream) {
        voice.stop();
        this.voices.delete(id);
      }
    for (const [id, stream] of streams) {
      if (stream.getAudioTracks().length === 0) continue;
      const voice = this.voices.get(id) ?? this.open(id, stream);
      voice.gain.gain.setTargetAtTime(isHeard(id) ? 1 : 0, this.context.currentTime, movesWithinSeconds / 3);
    }
  }
  private open(id: string, stream: MediaStream) {
    const source = this.context.createMediaStreamSource(stream);
    const gain = this.context.createGain();
    gain.gain.value = 0;
    source.connect(gain).connect(this.limiter);
    const stop = () => {
      source.disconnect();
      gain.disconnect();
    };
    const voice = { stream, gain, stop };
    this.voices.set(id, voice);
    return voice;
  }
  close(): void {
    void this.context.close();
  }
}
