import { listMachines } from "../../server/machines";
import { LibraryScreen } from "../../ui/machine/LibraryScreen";

export const dynamic = "force-dynamic";

export default async function Page() {
  return <LibraryScreen machines={await listMachines()} />;
}
