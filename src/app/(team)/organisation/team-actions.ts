"use server";
import { revalidatePath } from "next/cache";
import { redirect } from "next/navigation";
import { removeMember, setStanding } from "@/server/services/organisation/team";
import { inviteMember, withdrawInvitation } from "@/server/services/organisation/team-invitations";
import { act, currentMember } from "../../_lib/request";

export async function inviteMemberAction(input: unknown) {
  return act(async () => {
    const { context, member } = await currentMember();
    await inviteMember(context, member, input);
    revalidatePath("/organisation");
  });
}

export async function withdrawInvitationAction(invitationId: string) {
  return act(async () => {
    const { context, member } = await currentMember();
    await withdrawInvitation(context, member, invitationId);
    revalidatePath("/organisation");
  });
}

export async function setStandingAction(userId: string, standing: string) {
  return act(async () => {
    const { context, member } = await currentMember();
    await setStanding(context, member, userId, standing);
    revalidatePath("/organisation");
  });
}

/** Takes somebody out of the team; whoever leaves it themself lands at the sign-in. */
export async function removeMemberAction(userId: string) {
  return act(async () => {
    const { context, member } = await currentMember();
    await removeMember(context, member, userId);
    if (userId === member.userId) redirect("/sign-in");
    revalidatePath("/organisation");
  });
}
