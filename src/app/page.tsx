import { listJobs, listUnits } from "../server/jobs";
import { StartScreen } from "../ui/start/StartScreen";

export const dynamic = "force-dynamic";

export default async function Page() {
  const [jobs, units] = await Promise.all([listJobs(), listUnits()]);
  return <StartScreen jobs={jobs} units={units} now={new Date().toISOString()} />;
}
