import { commandInput } from "@/contracts";
import { app } from "@/server/compose";
import { parse } from "@/server/services/context";
import { closeConnection } from "@/server/services/presence";
import { execute } from "@/server/services/room-commands";
import { castBallot, voteQuestion } from "@/server/services/room-facts";
import { answer, requireOwnOrigin } from "../../../_lib/request";
import { roomAccess } from "../../../_lib/room-access";

/** One command to a room. Repeated with the same id it changes nothing and is answered alike. */
export function POST(request: Request, { params }: { params: Promise<{ occurrence: string }> }): Promise<Response> {
  return answer(async () => {
    requireOwnOrigin(request);
    const { occurrence } = await params;
    const { context, hub, signs, roomCache } = await app();
    const input = parse(commandInput, await request.json().catch(() => null));
    const { command } = input;
    if (command.type === "sign") {
      // the connection's id is known to its own browser alone
      signs.sign(command.connectionId);
      return Response.json({ ok: true, seq: 0 });
    }
    const who = await roomAccess(request, occurrence);
    switch (command.type) {
      case "goodbye":
        await closeConnection(context, command.connectionId);
        hub.factsChanged(occurrence);
        return Response.json({ ok: true, seq: 0 });
      case "ballot.cast":
        await castBallot(context, who, command.pollId, command.optionId, hub.circumstance(occurrence));
        hub.personalChanged(occurrence, who.actorId);
        return Response.json({ ok: true, seq: 0 });
      case "question.vote":
        await voteQuestion(context, who, command.questionId, command.isFor, hub.circumstance(occurrence));
        hub.personalChanged(occurrence, who.actorId);
        return Response.json({ ok: true, seq: 0 });
      default:
        return Response.json({ ok: true, ...(await execute(context, roomCache, who, input)) });
    }
  });
}
