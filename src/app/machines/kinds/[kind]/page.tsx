import { notFound } from "next/navigation";
import { kindPages } from "../../../../server/kind-pages";
import { KindScreen } from "../../../../ui/machine/KindScreen";

export const dynamic = "force-dynamic";

export default async function Page({ params }: { params: Promise<{ kind: string }> }) {
  const { kind } = await params;
  const page = (await kindPages()).find((p) => p.kind === decodeURIComponent(kind));
  if (!page) notFound();
  return <KindScreen page={page} />;
}
