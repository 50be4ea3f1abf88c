import { notFound } from "next/navigation";
import { jobLessons } from "../../../../server/lessons";
import { Refusal } from "../../../../server/refusal";
import { LessonsScreen } from "../../../../ui/record/LessonsScreen";

export const dynamic = "force-dynamic";

export default async function Page({ params }: { params: Promise<{ id: string }> }) {
  const lessons = await jobLessons((await params).id).catch((error: unknown) => {
    if (error instanceof Refusal && error.status === 404) notFound();
    throw error;
  });
  return <LessonsScreen of={lessons} />;
}
