import { notFound } from "next/navigation";
import { Refusal } from "../../../../server/refusal";
import { unitRecord } from "../../../../server/units";
import { LabelSheet } from "../../../../ui/unit/LabelSheet";

export const dynamic = "force-dynamic";

export default async function Page({ params }: { params: Promise<{ id: string }> }) {
  const unit = await unitRecord((await params).id).catch((error: unknown) => {
    if (error instanceof Refusal && error.status === 404) notFound();
    throw error;
  });
  return <LabelSheet unit={unit} />;
}
