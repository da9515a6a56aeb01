"use client";
import { useLocale, useTranslations } from "use-intl";
import { soundFeed } from "@/core/programme";
import type { StageView } from "@/core/room";
import { ChannelSound } from "../channels/channel-sound";
import { useChannelSender } from "../channels/use-channel-sender";
import { useFloorLevel } from "../channels/use-floor-level";
import type { Devices } from "../devices/use-devices";
import { languageName } from "../languages";
import { isOpenHere } from "../links/is-open-here";
import { PeopleSound } from "../links/people-sound";
import type { Links } from "../links/use-mesh";

/** What somebody on stage hears: the others, or a channel that they interpret from with the others far under it. */
export function StageSound(props: {
  view: StageView;
  me: string;
  occurrenceId: string;
  links: Links;
  devices: Devices;
}) {
  const { view, me, occurrenceId, links, devices } = props;
  const t = useTranslations("channels");
  const locale = useLocale();
  useChannelSender({ occurrenceId, ticketId: me, device: links.device }, view.channels, devices);
  const relay = view.interpreters[me]?.relay ?? null;
  const isRelayed = relay !== null && (view.channels[relay]?.speakerId ?? null) !== null;
  const levelDb = useFloorLevel(isRelayed, view.mix["it"]?.floorBelowDb ?? 0, 0);
  return (
    <>
      {/* what a shared screen sounds like: its owner hears it already, and gets no stream of their own */}
      <PeopleSound
        streams={links.screens}
        isHeard={(id) => id in view.screens}
        sinkId={devices.chosen.audiooutput}
        levelDb={levelDb}
      />
      <PeopleSound
        streams={links.streams}
        isHeard={(id) => isOpenHere(view, id, me)}
        sinkId={devices.chosen.audiooutput}
        levelDb={levelDb}
      />
      {relay !== null && view.programme[soundFeed(relay)] !== undefined && (
        <ChannelSound
          url={`/live/${occurrenceId}/sound/${relay}?as=${me}`}
          label={t("interpreted", { language: languageName(relay, locale) })}
        />
      )}
    </>
  );
}
