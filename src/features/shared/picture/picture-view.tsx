"use client";
import type { ReactNode } from "react";
import { layoutOf, pictureFor, type Box, type OnPicture, type Picture, type SceneItem } from "@/core/room";
import { classes } from "@/ui";
import { useBox } from "./use-box";

/** What stands in each part of the picture. */
export interface PictureParts {
  person(id: string, box: Box): ReactNode;
  document(): ReactNode;
  board(): ReactNode;
  /** of whoever shares it */
  screen(id: string): ReactNode;
  holding(): ReactNode;
}

/** What the picture comes to now: the scene, or somebody whom one pinned for oneself. */
export const shownPicture = (scene: SceneItem, on: OnPicture, pinnedId: string | null): Picture => {
  const picture = pictureFor(scene, scene.speakerId, on);
  const isPinned = pinnedId !== null && picture.kind !== "holding" && on.castIds.includes(pinnedId);
  return isPinned ? { kind: "one", personIds: [pinnedId], screenIds: [] } : picture;
};

function Part({ box, parts }: { box: Box; parts: PictureParts }) {
  if (box.part === "person") return parts.person(box.id!, box);
  return box.part === "screen" ? parts.screen(box.id!) : parts[box.part]();
}

/** The picture: every part where the one layout puts it, in whatever size the screen has. */
export function PictureView(props: {
  picture: Picture;
  shares: SceneItem["shares"];
  parts: PictureParts;
  gap?: number;
  className?: string;
  /** lies over it, with the boxes under it known */
  over?: (boxes: readonly Box[]) => ReactNode;
}) {
  const { box, size } = useBox<HTMLDivElement>();
  const boxes = size ? layoutOf(props.picture, size, props.shares, props.gap ?? 8) : [];
  return (
    <div ref={box} className={classes("relative min-h-0 overflow-hidden", props.className)}>
      {boxes.map((one) => (
        <div
          key={`${one.part} ${one.id}`}
          className="absolute flex flex-col"
          style={{ left: one.x, top: one.y, width: one.width, height: one.height }}
        >
          <Part box={one} parts={props.parts} />
        </div>
      ))}
      {props.over?.(boxes)}
    </div>
  );
}
