import { and, eq, isNull, ne } from "drizzle-orm";
import type { Effect } from "@/core/room";
import { assertNever } from "@/core/shared";
import type { Db } from "../db/client";
import type { CommandScene } from "../db/queries/command-scene";
import { occurrences, polls, questions, tickets } from "../db/schema";
import { admitWaiting } from "./admissions";
import { audit } from "./audit";
import type { Context } from "./context";
import { aboutTicket, planMessages } from "./mail/plan";

export interface EffectPlace {
  readonly scene: CommandScene;
  readonly organisationId: string;
  readonly actorId: string;
}

async function one(context: Context, tx: Db, place: EffectPlace, effect: Effect): Promise<void> {
  const { occurrenceId, eventId } = place.scene;
  const ofDate = eq(occurrences.id, occurrenceId);
  switch (effect.effect) {
    case "set-phase": {
      const ended = effect.phase === "ended" ? { endedAt: effect.at } : {};
      await tx
        .update(occurrences)
        .set({ phase: effect.phase, ...ended })
        .where(ofDate);
      return;
    }
    case "mark-doors":
      await tx.update(occurrences).set({ doorsOpenedAt: effect.at }).where(ofDate);
      return;
    case "mark-show-start":
      await tx
        .update(occurrences)
        .set({ showStartedAt: effect.at })
        .where(and(ofDate, isNull(occurrences.showStartedAt)));
      return;
    case "set-question":
      await tx
        .update(questions)
        .set({ state: effect.state, segmentId: effect.segmentId })
        .where(eq(questions.id, effect.questionId));
      return;
    case "clear-stage-question":
      await tx
        .update(questions)
        .set({ state: "done", answered: "aloud", answeredAt: context.clock.now() })
        .where(
          and(
            eq(questions.occurrenceId, occurrenceId),
            eq(questions.state, "on-stage"),
            ne(questions.id, effect.exceptId),
          ),
        );
      return;
    case "set-answered":
      await tx
        .update(questions)
        .set({ state: "done", answered: effect.how, answeredBy: effect.byId, answeredAt: effect.at })
        .where(eq(questions.id, effect.questionId));
      return;
    case "mail-answer":
      await mailAnswer(context, tx, place, effect.questionId);
      return;
    case "set-poll": {
      const times = effect.state === "open" ? { openedAt: effect.at, closedAt: null } : { closedAt: effect.at };
      await tx
        .update(polls)
        .set({ state: effect.state, ...times })
        .where(eq(polls.id, effect.pollId));
      return;
    }
    case "set-poll-revealed":
      await tx.update(polls).set({ isRevealed: effect.isRevealed }).where(eq(polls.id, effect.pollId));
      return;
    case "close-open-polls":
      await tx
        .update(polls)
        .set({ state: "closed", closedAt: effect.at })
        .where(and(eq(polls.occurrenceId, occurrenceId), eq(polls.state, "open")));
      return;
    case "admit-foyer":
      await admitWaiting(context, tx, place.scene, place.organisationId);
      return;
    case "audit":
      await audit(context, tx, {
        organisationId: place.organisationId,
        actorId: place.actorId,
        action: effect.action,
        eventId,
        occurrenceId,
      });
      return;
    default:
      assertNever(effect);
  }
}

async function mailAnswer(context: Context, tx: Db, place: EffectPlace, questionId: string): Promise<void> {
  const [asked] = await tx
    .select({ ticket: tickets, occurrence: occurrences })
    .from(questions)
    .innerJoin(tickets, eq(tickets.id, questions.askerTicketId))
    .innerJoin(occurrences, eq(occurrences.id, questions.occurrenceId))
    .where(eq(questions.id, questionId));
  if (!asked) return;
  await planMessages(context, tx, [
    { ...aboutTicket(asked.ticket, asked.occurrence), kind: "answer", questionId, dueAt: context.clock.now() },
  ]);
}

/** Carries out a decision's effects in the journal row's own transaction. */
export async function carryOut(
  context: Context,
  tx: Db,
  place: EffectPlace,
  effects: readonly Effect[],
): Promise<void> {
  for (const effect of effects) await one(context, tx, place, effect);
}
