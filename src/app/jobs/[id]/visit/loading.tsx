import { Loading } from "../../../../ui/shell/Loading";
import { say } from "#words/app/jobs/id";

/** What it may be is worked out first. */
export default function VisitLoading() {
  return <Loading words={say.workingOutWhatItMayBe} />;
}
