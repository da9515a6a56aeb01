"use client";
import { useCallback, useState } from "react";
import type { StreamMessages } from "@/contracts";
import type { HealthWhisper, HereWhisper, Trace } from "@/core/room";

/** What was said of a hand that moves, and when it came. */
export interface Traced extends Trace {
  readonly at: number;
}

/** What somebody is typing, and when it came. */
export interface Typed {
  readonly text: string;
  readonly at: number;
}

/** What has been said in passing: kept by nobody but whoever hears it. */
export interface Heard {
  /** how loud people of the stage are, 0–100, as their own browsers say */
  readonly levels: ReadonlyMap<string, number>;
  /** what people draw or point at while their hand moves, by ticket */
  readonly traces: ReadonlyMap<string, Traced>;
  /** captions while they are typed, by language */
  readonly typing: ReadonlyMap<string, Typed>;
  /** where whoever scrolls a shared page is, by ticket */
  readonly scrolling: ReadonlyMap<string, Scrolled>;
  /** whose devices are on, by ticket */
  readonly here: ReadonlyMap<string, Here>;
  /** how the composed picture goes, as its maker says */
  readonly health: HealthWhisper | null;
}

/** A page whose devices are on, and when it said so. */
export interface Here extends HereWhisper {
  readonly at: number;
}

/** How far down a shared page somebody is, and of which showing. */
export interface Scrolled {
  readonly place: number;
  readonly seen: number;
}

type Said = StreamMessages["whispers"]["said"];

/** @param rows one for each whisper that says something of this kind */
const joined = <T>(before: ReadonlyMap<string, T>, rows: readonly (readonly [string, T])[]): ReadonlyMap<string, T> =>
  rows.length === 0 ? before : new Map([...before, ...rows]);

const levelsIn = (said: Said) => said.flatMap(([id, one]) => ("level" in one ? [[id, one.level] as const] : []));
const tracesIn = (said: Said, at: number) =>
  said.flatMap(([id, one]) => ("surface" in one ? [[id, { ...one, at }] as const] : []));
const typedIn = (said: Said, at: number) =>
  said.flatMap(([, one]) => (one.type === "captions.typing" ? [[one.language, { text: one.text, at }] as const] : []));

const scrolledIn = (said: Said) =>
  said.flatMap(([id, one]) => (one.type === "page.scrolling" ? [[id, one] as const] : []));

const hereIn = (said: Said, at: number) =>
  said.flatMap(([id, one]) => (one.type === "programme.here" ? [[id, { ...one, at }] as const] : []));

/** Folds whispers, the latest of everybody: a kind that was not spoken of keeps its map, so that nothing redraws. */
export function useWhispers(): { heard: Heard; hear: (given: StreamMessages["whispers"]) => void } {
  const [levels, setLevels] = useState<Heard["levels"]>(new Map());
  const [traces, setTraces] = useState<Heard["traces"]>(new Map());
  const [typing, setTyping] = useState<Heard["typing"]>(new Map());
  const [scrolling, setScrolling] = useState<Heard["scrolling"]>(new Map());
  const [here, setHere] = useState<Heard["here"]>(new Map());
  const [health, setHealth] = useState<Heard["health"]>(null);
  const hear = useCallback(({ said }: StreamMessages["whispers"]) => {
    const at = Date.now();
    setLevels((before) => joined(before, levelsIn(said)));
    setTraces((before) => joined(before, tracesIn(said, at)));
    setTyping((before) => joined(before, typedIn(said, at)));
    setHere((before) => joined(before, hereIn(said, at)));
    for (const [, one] of said) if (one.type === "programme.health") setHealth(one);
    setScrolling((before) => joined(before, scrolledIn(said)));
  }, []);
  return { heard: { levels, traces, typing, scrolling, here, health }, hear };
}
