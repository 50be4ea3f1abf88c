import { notFound, redirect } from "next/navigation";
import { Refusal } from "../../../../server/refusal";
import { beforeDriving } from "../../../../server/visit";
import { VisitScreen } from "../../../../ui/visit/VisitScreen";

export const dynamic = "force-dynamic";

export default async function Page({ params }: { params: Promise<{ id: string }> }) {
  const { id } = await params;
  const visit = await beforeDriving(id).catch((error: unknown) => {
    if (error instanceof Refusal && error.status === 404) notFound();
    // Nobody drives to what is closed: its record says what it came to.
    if (error instanceof Refusal && error.status === 409) redirect(`/jobs/${id}/record`);
    throw error;
  });
  return <VisitScreen visit={visit} />;
}
