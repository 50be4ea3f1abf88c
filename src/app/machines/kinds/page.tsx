import { kindPages } from "../../../server/kind-pages";
import { KindsScreen } from "../../../ui/machine/KindsScreen";

export const dynamic = "force-dynamic";

export default async function Page() {
  const pages = await kindPages();
  return <KindsScreen kinds={pages.map(({ kind, name, says }) => ({ kind, name, says }))} />;
}
