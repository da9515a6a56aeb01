import { headers } from "next/headers";
import { Account } from "@/features/account/account";
import { TeamBar } from "@/features/shared/team-bar";
import { app } from "@/server/compose";
import { currentOrganisation, pageMember } from "../../_lib/request";
import { signOutAction } from "../sign-in/actions";
import {
  beginSecondStepAction,
  changePasswordAction,
  confirmSecondStepAction,
  endOtherSessionsAction,
  endSecondStepAction,
} from "./actions";

export const metadata = { title: "Your account" };
const shown = 20;

/** One's own password, and where one is signed in. */
export default async function AccountPage() {
  await pageMember();
  const { signIn } = await app();
  const { zone } = await currentOrganisation();
  const [here, all] = await Promise.all([
    signIn.api.getSession({ headers: await headers() }),
    signIn.api.listSessions({ headers: await headers() }),
  ]);
  const sessions = [...all]
    .sort((a, b) => b.updatedAt.getTime() - a.updatedAt.getTime())
    .slice(0, shown)
    .map((one) => ({
      id: one.id,
      device: one.userAgent ?? "",
      lastAt: one.updatedAt.getTime(),
      isHere: one.id === here?.session.id,
    }));
  return (
    <>
      <TeamBar signOut={signOutAction} />
      <main className="mx-auto max-w-4xl px-6 py-4">
        <h1 className="text-title leading-tight font-semibold">Your account</h1>
        <p className="text-ink-2">{here?.user.email}</p>
        <Account
          sessions={sessions}
          zone={zone}
          changePassword={changePasswordAction}
          endOthers={endOtherSessionsAction}
          hasSecondStep={here?.user.twoFactorEnabled === true}
          secondStep={{
            begin: beginSecondStepAction,
            confirm: confirmSecondStepAction,
            end: endSecondStepAction,
          }}
        />
      </main>
    </>
  );
}
