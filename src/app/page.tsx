import { listJobs } from "../server/jobs";
import { StartScreen } from "../ui/start/StartScreen";

export const dynamic = "force-dynamic";

/** Closed jobs shown on the start screen. */
const CLOSED = 8;

export default async function Page() {
  const [open, closed] = await Promise.all([listJobs({ state: "open" }), listJobs({ state: "closed" }, CLOSED)]);
  return <StartScreen open={open} closed={closed} now={new Date().toISOString()} />;
}
