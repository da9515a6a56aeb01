/** Root of the mean square of each 100 ms of the first channel, on the sound's own thread: a busy page misses none. */
const meter = `
registerProcessor("level-meter", class extends AudioWorkletProcessor {
  sum = 0; count = 0;
  process([[samples]]) {
    if (samples) for (const one of samples) this.sum += one * one;
    this.count += samples ? samples.length : 128;
    if (this.count >= sampleRate / 10) {
      this.port.postMessage(Math.sqrt(this.sum / this.count));
      this.sum = 0; this.count = 0;
    }
    return true;
  }
});`;

/** Measures how loud a stream is, ten times a second, until the returned function is called. @param onRms 0–1 */
export function measureLevel(stream: MediaStream, onRms: (rms: number) => void): () => void {
  if (stream.getAudioTracks().length === 0) return () => {};
  const audio = new AudioContext();
  const source = URL.createObjectURL(new Blob([meter], { type: "text/javascript" }));
  void audio.audioWorklet
    .addModule(source)
    .then(() => {
      if (audio.state === "closed") return;
      const node = new AudioWorkletNode(audio, "level-meter", { numberOfOutputs: 0 });
      node.port.onmessage = ({ data }: MessageEvent<number>) => onRms(data);
      audio.createMediaStreamSource(stream).connect(node);
    })
    .finally(() => URL.revokeObjectURL(source));
  return () => void audio.close();
}
