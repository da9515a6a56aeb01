"use client";
import { useSay } from "@/features/shared/say/say";
import { useState } from "react";
import { mostBelowDb, type ChannelItem } from "@/core/room";
import { languageName } from "@/features/shared/languages";
import { Button, Empty, Field, Input, List, ListItem } from "@/ui";
import type { DeskScene } from "./scene";

/** How much quieter the stage is under an interpreter: typed, and said when it is left. */
function FloorUnder({ scene }: { scene: DeskScene }) {
  const say = useSay();
  const kept = scene.view.mix["it"]?.floorBelowDb ?? 0;
  const [typed, setTyped] = useState<string | null>(null);
  const set = () => {
    const belowDb = Math.min(mostBelowDb, Math.max(0, Math.round(Number(typed))));
    setTyped(null);
    if (typed !== null && typed.trim() !== "" && Number.isFinite(belowDb) && belowDb !== kept)
      void scene.send({ type: "channels.lower-floor", belowDb });
  };
  return (
    <Field
      label={say`Under an interpreter the stage is quieter by (decibels)`}
      hint={say`14 is usual; 0 leaves it as loud as it is.`}
    >
      {(ids) => (
        <Input
          {...ids}
          inputMode="numeric"
          className="w-20"
          disabled={!scene.may("channels.lower-floor")}
          value={typed ?? String(kept)}
          onChange={({ target }) => setTyped(target.value)}
          onBlur={set}
          onKeyDown={({ key }) => key === "Enter" && set()}
        />
      )}
    </Field>
  );
}

/** The interpreters' channels at the desk: who is on, who listens, who hands over. */
export function ChannelsDesk({ scene }: { scene: DeskScene }) {
  const say = useSay();
  const { channels, interpreters } = scene.view;
  const inOrder = Object.entries(channels).sort(([, a], [, b]) => a.position - b.position);
  // somebody whose line is gone keeps the channel for a minute
  const isHeard = ({ speakerId }: ChannelItem) => speakerId !== null && (interpreters[speakerId]?.isPresent ?? false);
  const away = Object.values(interpreters).filter((one) => !one.isPresent);
  if (inOrder.length === 0)
    return (
      <Empty title={say`Nothing is interpreted`}>
        {say`Languages are chosen at the plan, interpreters are on the people list.`}
      </Empty>
    );
  return (
    <div className="flex flex-col gap-3">
      {away.length > 0 && (
        <p className="text-attention">{say`Not here yet: ${away.map((one) => one.name).join(", ")}.`}</p>
      )}
      <List label={say`Interpreted languages`}>
        {inOrder.map(([language, channel]) => (
          <ListItem
            key={language}
            acts={
              channel.speakerId !== null &&
              scene.may("channels.close") && (
                <Button size="small" onClick={() => void scene.send({ type: "channels.close", language })}>
                  {say`Close the microphone`}
                </Button>
              )
            }
          >
            <span className="block font-semibold">{languageName(language, say.locale)}</span>
            <span className={isHeard(channel) ? "" : "text-attention"}>
              {channel.speaker
                ? isHeard(channel)
                  ? say`${channel.speaker} interprets`
                  : say`${channel.speaker} lost the line`
                : say`Nobody interprets`}
            </span>
            <span className="text-ink-2">
              {" · "}
              {channel.listeners === 1 ? say`1 listens` : say`${channel.listeners} listen`}
              {channel.handOver &&
                (channel.handOver.isAgreed
                  ? say` · ${channel.handOver.to} takes over`
                  : say` · ${channel.handOver.to} takes over, not agreed yet`)}
            </span>
          </ListItem>
        ))}
      </List>
      <FloorUnder scene={scene} />
    </div>
  );
}
