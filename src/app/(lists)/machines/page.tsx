import { listMachines } from "../../../server/library";
import { LibraryScreen } from "../../../ui/machine/LibraryScreen";

export const dynamic = "force-dynamic";

export default async function Page() {
  return <LibraryScreen machines={await listMachines()} />;
}
