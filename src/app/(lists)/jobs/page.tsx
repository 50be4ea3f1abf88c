import { jobListSchema, listJobs, MOST_COUNTED, PAGE } from "../../../server/jobs";
import { JobsScreen } from "../../../ui/start/JobsScreen";

export const dynamic = "force-dynamic";

export default async function Page({
  searchParams,
}: {
  searchParams: Promise<Record<string, string | string[] | undefined>>;
}) {
  const { state, page } = await searchParams;
  // What is no list of jobs is the first page of the closed ones.
  const asked = jobListSchema.safeParse({ state: state ?? "closed", page: page ?? 1 }).data ?? {
    state: "closed" as const,
    page: 1,
  };
  return <JobsScreen found={await listJobs(asked)} {...asked} size={PAGE} most={MOST_COUNTED} />;
}
