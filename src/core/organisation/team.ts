import type { Standing } from "../people";

/** How long an invitation into the team can be followed. */
export const invitationDays = 7;

/** Whether a change leaves the organisation without an owner: nobody could mend that afterwards. */
export const leavesNoOwner = (
  team: readonly { readonly userId: string; readonly standing: Standing }[],
  userId: string,
  next: Standing | null,
): boolean => next !== "owner" && team.every((one) => one.standing !== "owner" || one.userId === userId);
