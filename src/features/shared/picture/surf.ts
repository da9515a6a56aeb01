/** Seconds of one wave, and of the noise that is played round and round. */
const waveSeconds = 9;
const noiseSeconds = 18;
const loudness = 0.12;

/** Brown noise: each value a small step from the one before (a leaky sum of white noise). */
export function brownNoise(length: number, random: () => number): Float32Array<ArrayBuffer> {
  const out = new Float32Array(length);
  let last = 0;
  for (let i = 0; i < length; i += 1) {
    last = (last + 0.02 * (random() * 2 - 1)) / 1.02;
    out[i] = Math.max(-1, Math.min(1, last * 3.5));
  }
  return out;
}

/** Plays a quiet shore: made here, so that nothing is fetched and nobody's music. @returns how to stop it */
export function playSurf(): () => void {
  const context = new AudioContext();
  const buffer = context.createBuffer(1, context.sampleRate * noiseSeconds, context.sampleRate);
  buffer.copyToChannel(brownNoise(buffer.length, Math.random), 0);
  const source = context.createBufferSource();
  source.buffer = buffer;
  source.loop = true;
  const volume = context.createGain();
  volume.gain.value = loudness;
  // the waves: the loudness goes slowly up and down
  const wave = context.createOscillator();
  wave.frequency.value = 1 / waveSeconds;
  const depth = context.createGain();
  depth.gain.value = loudness * 0.6;
  wave.connect(depth).connect(volume.gain);
  source.connect(volume).connect(context.destination);
  source.start();
  wave.start();
  // a browser that plays nothing before an act of its person's goes on with the first one
  const resume = () => void context.resume();
  window.addEventListener("pointerdown", resume, { once: true });
  return () => {
    window.removeEventListener("pointerdown", resume);
    void context.close();
  };
}
