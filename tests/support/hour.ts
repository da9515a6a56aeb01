import { randomUUID } from "node:crypto";
import { parse } from "csv-parse/sync";
import type { CommandBody, FactBody } from "@/contracts";
import type { Actor } from "@/core/people";
import { dateFile, type DateFile } from "@/server/services/afterwards/exports";
import { bringFact } from "@/server/services/hour/facts";
import { executeWhole } from "@/server/services/ground/room/commands";
import { addTicket, makeEvent, seat, type MadeEvent, type World } from "./world";

const desk: Actor = { role: "producer", duties: [] };
const guest: Actor = { role: "attendee", duties: [] };

/** A date that is on: a producer backstage, doors open, some of the audience in their seats. */
export interface Hour {
  readonly event: MadeEvent;
  readonly producerId: string;
  readonly guests: readonly string[];
  carryOut(commandId: string, command: CommandBody, by?: string): ReturnType<typeof executeWhole>;
  /** @returns the command's id, which names what it made */
  run(command: CommandBody, by?: string): Promise<string>;
  bring(by: string, fact: FactBody): ReturnType<typeof bringFact>;
  file(name: DateFile): Promise<Record<string, string>[]>;
}

export async function openHour(world: World, names: readonly string[]): Promise<Hour> {
  world.clock.set(Date.parse("2026-11-26T17:50:00Z"));
  const event = await makeEvent(world, { houseSize: 100 });
  const { occurrenceId } = event;
  const producerId = await addTicket(world, event, "producer", "Second Producer");
  const guests: string[] = [];
  for (const name of names) guests.push(await addTicket(world, event, "attendee", name));
  for (const id of guests) await seat(world, event, id);
  const carryOut = (commandId: string, command: CommandBody, by = producerId) => {
    const who = { actorId: by, actor: by === producerId ? desk : guest, occurrenceId };
    return executeWhole(world.context, world.cache, who, { commandId, command });
  };
  const run = async (command: CommandBody, by?: string) => {
    const commandId = randomUUID();
    await carryOut(commandId, command, by);
    return commandId;
  };
  await run({ type: "stage.enter" });
  await run({ type: "hour.open-doors" });
  return {
    event,
    producerId,
    guests,
    carryOut,
    run,
    bring: (by, fact) =>
      bringFact(world.context, { actorId: by, actor: guest, occurrenceId, organisationId: world.organisationId }, fact),
    async file(name) {
      const text = await dateFile(world.context, world.owner, event.eventId, occurrenceId, name);
      return parse(text, { columns: true, bom: true }) as Record<string, string>[];
    },
  };
}
