"use client";
import type { RunSheetInput } from "@/contracts";
import { sceneKinds, type SceneKind } from "@/core/room";
import { sceneWords } from "@/features/shared/scene-words";
import { Select } from "@/ui";

type Segment = RunSheetInput["segments"][number];

/** How the picture is arranged when the segment begins. */
export function SceneChoice(props: { segment: Segment; onChange: (part: Partial<Segment>) => void }) {
  const { scene, title } = props.segment;
  return (
    <Select
      aria-label={`Picture of ${title || "the segment"}`}
      className="mt-1 text-label text-ink-2"
      value={scene ?? ""}
      onChange={(event) => props.onChange({ scene: (event.target.value || null) as SceneKind | null })}
    >
      <option value="">picture: as it is</option>
      {sceneKinds.map((kind) => (
        <option key={kind} value={kind}>
          picture: {sceneWords[kind].toLowerCase()}
        </option>
      ))}
    </Select>
  );
}
