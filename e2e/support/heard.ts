import type { Page } from "./test";

interface Played {
  readonly at: number;
  readonly volume: number;
  /** the loudest moment of what was listened to: root mean square of 2,048 samples, 0 to 1 */
  readonly loudest: number;
}

/** Listens to what an element plays for a moment, before its own level is set; silence where there is none yet. */
export const heardFrom = (page: Page, selector: string, forMs = 2500): Promise<Played> =>
  page.evaluate(
    async ([where, duration]) => {
      const media = document.querySelector<HTMLMediaElement & { captureStream(): MediaStream }>(where);
      if (!media) return { at: 0, volume: 0, loudest: 0 };
      const context = new AudioContext();
      const ear = context.createAnalyser();
      ear.fftSize = 2048;
      const stream = media.captureStream();
      if (stream.getAudioTracks().length > 0) context.createMediaStreamSource(stream).connect(ear);
      const samples = new Float32Array(ear.fftSize);
      let loudest = 0;
      const until = performance.now() + duration;
      while (performance.now() < until) {
        await new Promise((done) => setTimeout(done, 20));
        ear.getFloatTimeDomainData(samples);
        loudest = Math.max(loudest, Math.sqrt(samples.reduce((sum, one) => sum + one * one, 0) / samples.length));
      }
      await context.close();
      return { at: media.currentTime, volume: media.volume, loudest };
    },
    [selector, forMs] as const,
  );
