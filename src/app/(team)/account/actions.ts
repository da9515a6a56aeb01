"use server";
import { headers } from "next/headers";
import { revalidatePath } from "next/cache";
import { shortestPassword } from "@/contracts";
import { Refusal } from "@/core/shared";
import { app } from "@/server/compose";
import { audit } from "@/server/services/ground/audit";
import { wrongInput } from "@/server/services/ground/context";
import { countTry } from "@/server/services/ground/tries";
import { act, currentMember } from "../../_lib/request";

/** Changes one's own password, which ends every other session. */
export async function changePasswordAction(input: { current: string; next: string }) {
  return act(async () => {
    const { context, member } = await currentMember();
    await countTry(context, "sign-in", `password|${member.userId}`);
    if (String(input.next).length < shortestPassword) throw wrongInput("next", "password-too-short");
    const { signIn } = await app();
    try {
      await signIn.api.changePassword({
        body: { currentPassword: String(input.current), newPassword: String(input.next), revokeOtherSessions: true },
        headers: await headers(),
      });
    } catch {
      throw wrongInput("current", "password-wrong");
    }
    const { organisationId, userId: actorId } = member;
    await audit(context, context.db, { organisationId, actorId, action: "password.change" });
  });
}

/** Signs one's other devices out. */
export async function endOtherSessionsAction() {
  return act(async () => {
    const { context, member } = await currentMember();
    const { signIn } = await app();
    const { status } = await signIn.api.revokeOtherSessions({ headers: await headers() });
    if (!status) throw new Refusal({ code: "unavailable" });
    const { organisationId, userId: actorId } = member;
    await audit(context, context.db, { organisationId, actorId, action: "sessions.end" });
    revalidatePath("/account");
  });
}
