import { commandInput, factTypes, whisperTypes, type FactBody, type WhisperBody } from "@/contracts";
import { isStageRole, verdictBy, type Actor, type Permission } from "@/core/people";
import { mayTell, roomRights, traceFor } from "@/core/room";
import { Refusal } from "@/core/shared";
import { parse } from "../services/ground/context";
import { execute } from "../services/ground/room/commands";
import { drainOutbox } from "../services/ground/room/outbox";
import { bringFact, requireInside, requireRight, type KnownRoom } from "../services/hour/facts";
import type { Ask } from "./ask";
import { whoAsks } from "./access";
import { readJson, requireOwnOrigin, sendJson } from "./request";

/** Asked for from the foyer too: whoever cannot come in may need help with it. */
const fromFoyer: ReadonlySet<string> = new Set(["help.ask", "help.end"]);
const facts: ReadonlySet<string> = new Set(factTypes);
const whispers: ReadonlySet<string> = new Set(whisperTypes);

/** Refuses what the table refuses anyway, as far as memory tells, before a lock is taken. @throws a refusal */
function refuseEarly(room: KnownRoom, actor: Actor, type: string): void {
  const rule = (roomRights as Readonly<Record<string, Permission>>)[type];
  if (rule && verdictBy(rule, actor, room.circumstance()) === "wrong-role") {
    throw new Refusal({ code: "not-allowed", action: type });
  }
}

/**
 * One command to a room. In the order of what costs least: size, origin, who, pace, right as far as memory
 * tells, and only then the lock. Repeated with the same id it changes nothing and is answered alike.
 */
export async function takeCommand(ask: Ask): Promise<void> {
  const { app, request, response, occurrenceId, as } = ask;
  requireOwnOrigin(request);
  const { context, hub, entrance, signs, roomCache, pace } = app;
  const input = parse(commandInput, await readJson(request));
  const { command } = input;
  const done = (seq: number) => sendJson(response, 200, { ok: true, seq });
  if (command.type === "sign") {
    // the connection's id is known to its own browser alone
    signs.sign(command.connectionId);
    return done(0);
  }
  const who = await whoAsks(ask);
  if (command.type === "goodbye") {
    await entrance.close(command.connectionId);
    hub.factsChanged(occurrenceId);
    return done(0);
  }
  pace.take(who.actorId, command.type, input.commandId);
  const known = hub.known(occurrenceId);
  if (facts.has(command.type)) {
    const outcome = await bringFact(context, who, command as FactBody, known, input.commandId);
    hub.factBrought(occurrenceId, who.actorId, outcome);
    return sendJson(response, 200, { ok: true, seq: 0, ...outcome.answer });
  }
  if (whispers.has(command.type)) {
    const said = command as WhisperBody;
    await requireRight(context, who, said.type, known);
    if ("to" in said) {
      // nobody of the room may be followed here: its state is read where it is not in memory
      const room = known ?? (await hub.openRoom(occurrenceId, who.actorId));
      const [from, to] = [room.standing(who.actorId, as === null), room.standing(said.to, false)];
      if (!from || !to || !mayTell(room.state, said.type, from, to))
        throw new Refusal({ code: "not-allowed", action: said.type });
      hub.told(occurrenceId, who.actorId, said);
      return done(0);
    }
    const body = "surface" in said ? traceFor(known?.state ?? null, said) : said;
    hub.whispered(occurrenceId, who.actorId, body);
    return done(0);
  }
  if (known) refuseEarly(known, who.actor, command.type);
  if (!isStageRole(who.actor.role) && !fromFoyer.has(command.type)) await requireInside(context, who, known);
  // the screens first, in this very turn: the answer may follow them
  const { executed, shown } = await hub.acts.carryOut(occurrenceId, () => execute(context, roomCache, who, input));
  done(executed.seq);
  await shown;
  if (executed.hasOutward) await drainOutbox(context, executed.roomId);
}
