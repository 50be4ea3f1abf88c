import { notFound, redirect } from "next/navigation";
import { Refusal } from "../../../server/refusal";
import { unitRecord } from "../../../server/units";
import { unitLife } from "../../../server/unit-life";
import { UnitScreen } from "../../../ui/unit/UnitScreen";

export const dynamic = "force-dynamic";

export default async function Page({ params }: { params: Promise<{ id: string }> }) {
  const unit = await unitRecord((await params).id).catch((error: unknown) => {
    if (error instanceof Refusal && error.status === 404) notFound();
    throw error;
  });
  // It was found to be another unit, and that one has all of its jobs.
  if (unit.mergedInto) redirect(`/units/${unit.mergedInto}`);
  return <UnitScreen unit={unit} life={await unitLife(unit.id)} />;
}
