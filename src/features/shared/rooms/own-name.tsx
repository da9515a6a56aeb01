"use client";
import { useState } from "react";
import { useTranslations } from "use-intl";
import type { FoyerView, HouseView, PersonalPart } from "@/core/room";
import { Button, Input, TextButton } from "@/ui";
import type { RoomLink } from "../room-link/use-room";

/** How somebody is called in the room, changed by themselves where the event lets them. */
export function OwnName({ me, send }: { me: PersonalPart; send: RoomLink<HouseView | FoyerView>["send"] }) {
  const t = useTranslations("house");
  const [name, setName] = useState<string | null>(null);
  const save = async (next: string) => {
    const receipt = await send({ type: "floor.rename-self", name: next });
    if (receipt.ok) setName(null);
  };
  if (name === null)
    return (
      <p className="mt-3 text-label text-ink-2">
        {t("called", { name: me.name })}{" "}
        <TextButton className="underline" onClick={() => setName(me.name)}>
          {t("rename")}
        </TextButton>
      </p>
    );
  return (
    <form
      className="mt-3 flex max-w-md gap-2"
      onSubmit={(event) => {
        event.preventDefault();
        if (name.trim() !== "") void save(name.trim());
      }}
    >
      <Input
        aria-label={t("renameLabel")}
        autoFocus
        dir="auto"
        maxLength={120}
        value={name}
        onChange={(e) => setName(e.target.value)}
      />
      <Button type="submit">{t("rename")}</Button>
    </form>
  );
}
