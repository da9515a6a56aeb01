import { and, eq, inArray, sql } from "drizzle-orm";
import { markContactsInput } from "@/contracts";
import { groupMembers, people } from "../../../db/schema";
import { requireStanding, type TeamMember } from "../../ground/access";
import { audit } from "../../ground/audit";
import { parse, type Context } from "../../ground/context";
import { groupIds, inBook } from "./book";

/** Puts a tag or a group on many contacts at once, or takes it off. @returns how many contacts were meant */
export async function markContacts(context: Context, member: TeamMember, rawInput: unknown): Promise<number> {
  requireStanding(member, "contacts.edit");
  const { ids, kind, name, isOn } = parse(markContactsInput, rawInput);
  const { organisationId } = member;
  return context.db.transaction(async (tx) => {
    const own = await tx
      .select({ id: people.id })
      .from(people)
      .where(and(inBook(organisationId), inArray(people.id, ids)));
    const personIds = own.map((one) => one.id);
    if (personIds.length === 0) return 0;
    if (kind === "tag") {
      const without = sql`array_remove(${people.tags}, ${name})`;
      await tx
        .update(people)
        .set({ tags: isOn ? sql`array_append(${without}, ${name})` : without })
        .where(inArray(people.id, personIds));
    } else {
      const groupId = (await groupIds(context, tx, organisationId, [name])).get(name)!;
      if (isOn)
        await tx
          .insert(groupMembers)
          .values(personIds.map((personId) => ({ groupId, personId, organisationId })))
          .onConflictDoNothing();
      else
        await tx
          .delete(groupMembers)
          .where(and(eq(groupMembers.groupId, groupId), inArray(groupMembers.personId, personIds)));
    }
    await audit(context, tx, {
      organisationId,
      actorId: member.userId,
      action: "contacts.mark",
      facts: { count: personIds.length, kind },
    });
    return personIds.length;
  });
}
