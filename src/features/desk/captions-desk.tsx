"use client";
import { useSay } from "@/features/shared/say/say";
import { useState } from "react";
import type { DeskView } from "@/core/room";
import { Captioner } from "@/features/shared/captions/captioner";
import { isAnybodyHeard } from "@/features/shared/devices/heard";
import { languageChoices, languageName } from "@/features/shared/languages";
import type { RoomLink } from "@/features/shared/room-link/use-room";
import { Button, Combobox, List, ListItem } from "@/ui";
import type { DeskScene } from "./scene";

/** The deeper list of captions: which languages there are, and a place to write them from the desk. */
export function CaptionsDesk({
  scene,
  room,
  ticketId,
}: {
  scene: DeskScene;
  room: RoomLink<DeskView>;
  ticketId: string;
}) {
  const say = useSay();
  const { view, send, may } = scene;
  const [language, setLanguage] = useState("en");
  const languages = view.captions["it"]?.languages ?? [];
  const captioners = Object.values(view.stage).filter((one) => one.role === "captioner");
  const set = (next: readonly string[]) => void send({ type: "captions.set-languages", languages: [...next] });
  const mayChange = may("captions.set-languages");
  return (
    <div className="flex flex-col gap-3">
      <p className="text-ink-2">
        {captioners.length === 0
          ? say`No captioner is on the people list; the team can write them too.`
          : say`Captioners: ${captioners.map((one) => (one.isPresent ? one.name : say`${one.name} (away)`)).join(", ")}.`}
      </p>
      <List label={say`Languages of the captions`}>
        {languages.map((one) => (
          <ListItem
            key={one}
            acts={
              mayChange && (
                <Button size="small" onClick={() => set(languages.filter((other) => other !== one))}>
                  {say`End them`}
                </Button>
              )
            }
          >
            {say`Captions in ${languageName(one, say.locale)}`}
          </ListItem>
        ))}
      </List>
      {mayChange && (
        <div className="flex items-end gap-2">
          <div className="flex flex-1 flex-col gap-1">
            <span className="text-label text-ink-2">{say`Language`}</span>
            <Combobox
              label={say`Language of the captions`}
              placeholder={say`Language`}
              choices={languageChoices()}
              value={language}
              onChange={setLanguage}
            />
          </div>
          <Button disabled={languages.includes(language)} onClick={() => set([...languages, language])}>
            {say`Open captions`}
          </Button>
        </div>
      )}
      {languages.length > 0 && (
        <Captioner
          link={room}
          languages={languages}
          ticketId={ticketId}
          isHeard={isAnybodyHeard(view, scene.levels)}
          isRehearsal={view.event["it"]?.isRehearsal ?? false}
        />
      )}
    </div>
  );
}
