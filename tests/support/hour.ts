import { randomUUID } from "node:crypto";
import { parse } from "csv-parse/sync";
import type { CommandBody, FactBody } from "@/contracts";
import { eq } from "drizzle-orm";
import type { Actor, Role } from "@/core/people";
import { tickets } from "@/server/db/schema";
import type { DateFile } from "@/server/services/afterwards/date-files";
import { dateFile } from "@/server/services/afterwards/exports";
import { bringFact } from "@/server/services/hour/facts";
import { executeWhole } from "@/server/services/ground/room/commands";
import { addTicket, makeEvent, seat, type MadeEvent, type World } from "./world";

interface OnStage {
  readonly name: string;
  readonly role: "panelist" | "interpreter" | "captioner";
  /** an interpreter's two languages */
  readonly pair?: [string, string];
}

/** A date that is on: a producer backstage, doors open, some of the audience in their seats. */
export interface Hour {
  readonly event: MadeEvent;
  readonly producerId: string;
  readonly guests: readonly string[];
  /** in the order in which they were asked for */
  readonly stage: readonly string[];
  carryOut(commandId: string, command: CommandBody, by?: string): ReturnType<typeof executeWhole>;
  /** @returns the command's id, which names what it made */
  run(command: CommandBody, by?: string): Promise<string>;
  /** @param factId given where the same is brought twice */
  bring(by: string, fact: FactBody, factId?: string): ReturnType<typeof bringFact>;
  file(name: DateFile): Promise<Record<string, string>[]>;
}

/** @param onStage with places on the stage side, not yet entered */
export async function openHour(
  world: World,
  names: readonly string[],
  onStage: readonly OnStage[] = [],
): Promise<Hour> {
  world.clock.set(Date.parse("2026-11-26T17:50:00Z"));
  const event = await makeEvent(world, { houseSize: 100 });
  const { occurrenceId } = event;
  const producerId = await addTicket(world, event, "producer", "Second Producer");
  const guests: string[] = [];
  for (const name of names) guests.push(await addTicket(world, event, "attendee", name));
  for (const id of guests) await seat(world, event, id);
  const roles = new Map<string, Role>([[producerId, "producer"]]);
  for (const { name, role, pair } of onStage) {
    const id = await addTicket(world, event, role, name);
    if (pair) await world.context.db.update(tickets).set({ languages: pair }).where(eq(tickets.id, id));
    roles.set(id, role);
  }
  const stage = [...roles.keys()].slice(1);
  const actorOf = (id: string): Actor => ({ role: roles.get(id) ?? "attendee", duties: [] });
  const carryOut = (commandId: string, command: CommandBody, by = producerId) => {
    const who = { actorId: by, actor: actorOf(by), occurrenceId };
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
    stage,
    carryOut,
    run,
    bring: (by, fact, factId) => {
      const who = { actorId: by, actor: actorOf(by), occurrenceId, organisationId: world.organisationId };
      return bringFact(world.context, who, fact, null, factId);
    },
    async file(name) {
      const text = await dateFile(world.context, world.owner, event.eventId, occurrenceId, name);
      return parse(text, { columns: true, bom: true }) as Record<string, string>[];
    },
  };
}
