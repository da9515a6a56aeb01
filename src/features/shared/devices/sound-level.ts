"use client";
import { useSyncExternalStore } from "react";
import { dbfsOf, lowestDbfs, meterGain, meterStep } from "./level";

/**
 * How loud one's own microphone is, ten times a second. It stands apart from the page's state: whoever shows it draws
 * itself, and the page around it does not.
 */
export class SoundLevel {
  private readonly listeners = new Set<() => void>();
  private shown = 0;
  private heard = lowestDbfs;

  /** 0–1, as a meter shows it: up at once, down slowly */
  readonly meter = (): number => this.shown;
  /** of the last 100 ms, RMS */
  readonly dbfs = (): number => this.heard;

  /** @param rms of 100 ms, 0–1 */
  put(rms: number): void {
    this.heard = dbfsOf(rms);
    this.show(meterStep(this.shown, rms * meterGain));
  }
  reset(): void {
    this.heard = lowestDbfs;
    this.show(0);
  }
  private show(level: number): void {
    if (level === this.shown) return;
    this.shown = level;
    for (const tell of this.listeners) tell();
  }
  readonly subscribe = (tell: () => void): (() => void) => {
    this.listeners.add(tell);
    return () => this.listeners.delete(tell);
  };
}

const silence = () => 0;
/** The meter of a microphone, 0–1. */
export const useMeter = (sound: SoundLevel): number => useSyncExternalStore(sound.subscribe, sound.meter, silence);
