"use client";
import { useSay } from "@/features/shared/say/say";
import { toast } from "@/ui";
import { useEffect } from "react";

/** Puts the room's link on the clipboard as it opens, and says so; where the browser refuses, the link is there to be taken. */
export function CopyLink({ url, code }: { url: string; code: string | null }) {
  const say = useSay();
  useEffect(() => {
    const more = code ? say` Code: ${code}.` : "";
    navigator.clipboard.writeText(url).then(
      () => toast(say`The room’s link is copied.${more}`, { id: "room-link", duration: 20_000 }),
      () => toast(say`The room’s link: ${url}${more}`, { id: "room-link", duration: 60_000 }),
    );
  }, [url, code, say]);
  return null;
}
