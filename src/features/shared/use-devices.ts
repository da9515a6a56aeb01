"use client";
import { useCallback, useEffect, useRef, useState } from "react";
import { dbfsOf, lowestDbfs, measuredEveryMs, meterGain, meterStep } from "./level";

export interface Devices {
  readonly stream: MediaStream | null;
  /** the browser gave no device: a generated picture and tone stand in, and are named as such */
  readonly isGenerated: boolean;
  /** 0–1, as a meter shows it: up at once, down slowly */
  readonly level: number;
  /** of the last 100 ms, RMS */
  readonly dbfs: number;
  readonly start: () => void;
  readonly stop: () => void;
}

/** A generated test picture with a moving bar, and silence for sound. */
function generatedStream(): MediaStream {
  const canvas = document.createElement("canvas");
  canvas.width = 320;
  canvas.height = 180;
  const pen = canvas.getContext("2d")!;
  const draw = () => {
    const x = (Date.now() / 20) % 320;
    pen.fillStyle = "#1a2021";
    pen.fillRect(0, 0, 320, 180);
    pen.fillStyle = "#5cc2b8";
    pen.fillRect(x, 0, 6, 180);
  };
  const timer = setInterval(draw, 100);
  draw();
  const stream = canvas.captureStream(10);
  stream.getVideoTracks()[0]?.addEventListener("ended", () => clearInterval(timer));
  return stream;
}

/** One's own camera and microphone, with the level measured in this browser alone. */
export function useDevices(): Devices {
  const [stream, setStream] = useState<MediaStream | null>(null);
  const [isGenerated, setIsGenerated] = useState(false);
  const [level, setLevel] = useState(0);
  const [dbfs, setDbfs] = useState(lowestDbfs);
  const cleanup = useRef<() => void>(() => {});

  const measure = useCallback((source: MediaStream) => {
    if (source.getAudioTracks().length === 0) return () => {};
    const audio = new AudioContext();
    const analyser = audio.createAnalyser();
    analyser.fftSize = 512;
    audio.createMediaStreamSource(source).connect(analyser);
    const samples = new Float32Array(analyser.fftSize);
    const timer = setInterval(() => {
      analyser.getFloatTimeDomainData(samples);
      const power = samples.reduce((sum, sample) => sum + sample * sample, 0) / samples.length;
      setLevel((shown) => meterStep(shown, Math.sqrt(power) * meterGain));
      setDbfs(dbfsOf(Math.sqrt(power)));
    }, measuredEveryMs);
    return () => {
      clearInterval(timer);
      void audio.close();
    };
  }, []);

  const stop = useCallback(() => {
    cleanup.current();
    cleanup.current = () => {};
    setStream(null);
    setLevel(0);
    setDbfs(lowestDbfs);
  }, []);

  const start = useCallback(() => {
    void (async () => {
      let own: MediaStream;
      try {
        own = await navigator.mediaDevices.getUserMedia({ audio: true, video: true });
        setIsGenerated(false);
      } catch {
        own = generatedStream();
        setIsGenerated(true);
      }
      const stopMeasuring = measure(own);
      cleanup.current = () => {
        stopMeasuring();
        own.getTracks().forEach((track) => track.stop());
      };
      setStream(own);
    })();
  }, [measure]);

  useEffect(() => () => cleanup.current(), []);
  return { stream, isGenerated, level, dbfs, start, stop };
}
