"use client";
import { useSay } from "@/features/shared/say/say";
import { useState } from "react";
import { holdsWords } from "@/core/shared";
import { useRoomName } from "@/features/shared/side-rooms/use-room-name";
import { Field, Input, List, ListItem, Select } from "@/ui";
import type { DeskScene } from "../scene";

const mostShown = 30;

/** One person into another room, or into none. */
export function MovePeople({ scene }: { scene: DeskScene }) {
  const say = useSay();
  const { view, send } = scene;
  const [sought, setSought] = useState("");
  const nameOf = useRoomName(view.sideRooms);
  const people = Object.entries({ ...view.audience, ...view.sideMembers })
    .map(([id, { name }]) => ({
      id,
      name,
      room: view.sideMembers[id]?.room ?? null,
      isOut: view.sideMembers[id]?.isOut,
    }))
    .sort((a, b) => (a.room ?? 99) - (b.room ?? 99) || a.name.localeCompare(b.name));
  const found = people.filter((one) => holdsWords(one.name, sought));
  if (people.length === 0) return <p className="text-ink-2">{say`Nobody is here yet.`}</p>;
  return (
    <details className="border-t border-rule pt-2">
      <summary className="cursor-pointer">
        {say`Who is where (${people.filter((one) => one.room !== null).length} of ${people.length} have a room)`}
      </summary>
      <div className="mt-2 flex flex-col gap-2">
        <Field label={say`Find somebody`}>
          {(ids) => <Input {...ids} value={sought} onChange={({ target }) => setSought(target.value)} />}
        </Field>
        <List label={say`People and their side rooms`}>
          {found.slice(0, mostShown).map(({ id, name, room, isOut }) => (
            <ListItem
              key={id}
              acts={
                <Select
                  aria-label={say`Side room of ${name}`}
                  className="w-44"
                  value={room ?? ""}
                  onChange={({ target }) =>
                    void send({
                      type: "sideRooms.place",
                      places: [[id, target.value === "" ? null : Number(target.value)]],
                    })
                  }
                >
                  <option value="">{say`No room`}</option>
                  {Object.keys(view.sideRooms).map((one) => (
                    <option key={one} value={one}>
                      {nameOf(Number(one))}
                    </option>
                  ))}
                </Select>
              }
            >
              <bdi>{name}</bdi> {isOut && <span className="text-ink-2">{say`· back in the main room`}</span>}
            </ListItem>
          ))}
        </List>
        {found.length > mostShown && (
          <p className="text-ink-2">{say`${found.length - mostShown} more: type some letters.`}</p>
        )}
      </div>
    </details>
  );
}
