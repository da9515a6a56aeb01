"use client";
import { useCallback, useState } from "react";
import type { StreamMessages } from "@/contracts";
import type { Trace } from "@/core/room";

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

/** Folds whispers, the latest of everybody: a kind that was not spoken of keeps its map, so that nothing redraws. */
export function useWhispers(): { heard: Heard; hear: (given: StreamMessages["whispers"]) => void } {
  const [levels, setLevels] = useState<Heard["levels"]>(new Map());
  const [traces, setTraces] = useState<Heard["traces"]>(new Map());
  const [typing, setTyping] = useState<Heard["typing"]>(new Map());
  const hear = useCallback(({ said }: StreamMessages["whispers"]) => {
    const at = Date.now();
    setLevels((before) => joined(before, levelsIn(said)));
    setTraces((before) => joined(before, tracesIn(said, at)));
    setTyping((before) => joined(before, typedIn(said, at)));
  }, []);
  return { heard: { levels, traces, typing }, hear };
}
