import { wordsOf } from "@/contracts";
import { Refusal } from "@/core/shared";
import { JoinTeam } from "@/features/sign-in/join-team";
import { standingMeans } from "@/features/organisation/standing-words";
import { app } from "@/server/compose";
import { invitationFor, type OpenInvitation } from "@/server/services/organisation/team-invitations";
import { orNotFound } from "../../../_lib/request";
import { joinAction } from "./actions";

export const metadata = { title: "Join the team", robots: { index: false } };

/** What an invitation into the team leads to: a name, a password, and in. */
export default async function JoinPage({ params }: { params: Promise<{ token: string }> }) {
  const { token } = await params;
  const { context } = await app();
  const found = await orNotFound(async (): Promise<OpenInvitation | string> => {
    try {
      return await invitationFor(context, token);
    } catch (error) {
      if (error instanceof Refusal && error.failure.code === "invitation-over") return wordsOf(error.failure);
      throw error;
    }
  });
  return (
    <main className="mx-auto mt-20 max-w-md px-4">
      {typeof found === "string" ? (
        <>
          <h1 className="text-title font-semibold">This link is over</h1>
          <p className="mt-2">{found}</p>
          <p className="mt-2">
            <a href="/sign-in">Sign in</a>
          </p>
        </>
      ) : (
        <>
          <h1 className="text-title leading-tight font-semibold">Join the team of {found.organisation}</h1>
          <p className="mt-1 mb-5 text-ink-2">
            {found.email} · {standingMeans[found.standing]}
          </p>
          <JoinTeam name={found.name} hasAccount={found.hasAccount} join={joinAction.bind(null, token)} />
        </>
      )}
    </main>
  );
}
