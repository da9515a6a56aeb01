import { TeamBar } from "@/features/shared/team-bar";
import { YearView } from "@/features/year/year-view";
import { yearOf } from "@/server/services/overview/year";
import { orNotFound, pageMember } from "../../_lib/request";
import { signOutAction } from "../sign-in/actions";

export const metadata = { title: "The year" };

export default async function YearPage({ searchParams }: { searchParams: Promise<{ of?: string }> }) {
  const { context, member } = await pageMember();
  const of = Number((await searchParams).of);
  const wanted = Number.isInteger(of) && of > 1970 && of < 3000 ? of : null;
  const year = await orNotFound(() => yearOf(context, member, wanted));
  return (
    <>
      <TeamBar signOut={signOutAction} />
      <main className="mx-auto max-w-7xl px-6 py-5">
        <YearView year={year} />
      </main>
    </>
  );
}
