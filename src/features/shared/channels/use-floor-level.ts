"use client";
import { useCallback, useEffect, useRef, useState } from "react";
import { FloorLevel } from "./floor-level";

/**
 * The floor's level under a channel, asked as often as sound is set.
 * @param isOpen whether somebody interprets now what this person listens to
 */
export function useFloorLevel(isOpen: boolean, belowDb: number, lateMs: number): () => number {
  const [level] = useState(() => new FloorLevel());
  const latest = useRef({ belowDb, lateMs });
  useEffect(() => {
    latest.current = { belowDb, lateMs };
  });
  useEffect(() => level.set(isOpen, Date.now()), [level, isOpen]);
  return useCallback(() => level.dbAt(Date.now(), latest.current.belowDb, latest.current.lateMs), [level]);
}
