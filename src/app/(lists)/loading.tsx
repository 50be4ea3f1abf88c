import { Loading } from "../../ui/shell/Loading";

/** Lists are read anew each time; on a slow line that is seen. */
export default function ListLoading() {
  return <Loading words="Reading the list" />;
}
