import { notFound, redirect } from "next/navigation";
import { customerPaper } from "../../../../server/papers";
import { Refusal } from "../../../../server/refusal";
import { CustomerScreen } from "../../../../ui/paper/CustomerScreen";

export const dynamic = "force-dynamic";

export default async function Page({ params }: { params: Promise<{ id: string }> }) {
  const { id } = await params;
  const paper = await customerPaper(id).catch((error: unknown) => {
    if (error instanceof Refusal && error.status === 404) notFound();
    // While it is open there is nothing to hand out: its record says how it stands.
    if (error instanceof Refusal && error.status === 409) redirect(`/jobs/${id}/record`);
    throw error;
  });
  const { kept, ...shown } = paper;
  return <CustomerScreen paper={shown} kept={kept} />;
}
