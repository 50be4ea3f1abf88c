import { lastClosed, listJobs } from "../../server/jobs";
import { StartScreen } from "../../ui/start/StartScreen";

export const dynamic = "force-dynamic";

export default async function Page() {
  const [open, closed] = await Promise.all([listJobs({ state: "open" }), lastClosed()]);
  return <StartScreen open={open} closed={closed} now={new Date().toISOString()} />;
}
