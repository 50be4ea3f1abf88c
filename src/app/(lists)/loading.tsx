import { Loading } from "../../ui/shell/Loading";
import { say } from "#words/app/(lists)";

/** Lists are read anew each time; on a slow line that is seen. */
export default function ListLoading() {
  return <Loading words={say.readingTheList} />;
}
