import { listCodes } from "../../../server/library";
import { CodesScreen } from "../../../ui/codes/CodesScreen";

export const dynamic = "force-dynamic";

export default async function Page() {
  return <CodesScreen rows={await listCodes()} />;
}
