import { useCallback, type Dispatch, type SetStateAction } from "react";
import type { EarlierPage } from "@/contracts";
import { earlier, type Feeds } from "./feeds";

/** Reads a page more of a log feed, before what the screen holds. */
export function useReadEarlier(
  occurrenceId: string,
  as: string | null,
  logs: Feeds["logs"],
  setFeeds: Dispatch<SetStateAction<Feeds>>,
): (topic: string) => Promise<void> {
  return useCallback(
    async (topic: string) => {
      const before = logs.get(topic)?.rows[0]?.seq;
      if (before === undefined) return;
      const asked = new URLSearchParams({ topic, before: String(before), ...(as ? { as } : {}) });
      // an answer that does not come loses nothing: it can be asked again
      const answer = await fetch(`/live/${occurrenceId}/lines?${asked}`).catch(() => null);
      if (!answer?.ok) return;
      const page = (await answer.json()) as EarlierPage;
      setFeeds((feeds) => earlier(feeds, topic, page));
    },
    [logs, occurrenceId, as, setFeeds],
  );
}
