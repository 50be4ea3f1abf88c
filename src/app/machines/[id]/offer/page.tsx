import { notFound } from "next/navigation";
import { shippedOffer } from "../../../../server/machines";
import { Refusal } from "../../../../server/refusal";
import { OfferScreen } from "../../../../ui/machine/OfferScreen";

export const dynamic = "force-dynamic";

export default async function Page({ params }: { params: Promise<{ id: string }> }) {
  const offer = await shippedOffer((await params).id).catch((error: unknown) => {
    if (error instanceof Refusal && error.status === 404) notFound();
    throw error;
  });
  if (!offer) notFound();
  return <OfferScreen offer={offer} />;
}
