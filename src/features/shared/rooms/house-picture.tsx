"use client";
import type { ComponentProps } from "react";
import { ScreeningVideo } from "../watch/screening-video";
import { Programme } from "./programme";

/** What the house looks at: the stage as it is composed, or a recording that everybody watches at once. */
export function HousePicture({ now, ...props }: ComponentProps<typeof Programme> & { now: number }) {
  const status = props.view.status["it"];
  if (status?.screening && status.isCurtainUp)
    return <ScreeningVideo media={props.media} item={status.screening} ahead={props.ahead} now={now} />;
  return <Programme {...props} />;
}
