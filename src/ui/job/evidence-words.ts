import type { Job } from "../../core/journal";
import { say } from "#words/ui/job/evidence-words";

/** An entry of evidence as a person knows it. */
export function evidenceWords(job: Job, evidence: string): string {
  if (evidence === "complaint") return say.theComplaint;
  const reading = job.readings.find((r) => r.id === evidence);
  const answer = job.answers.find((a) => a.id === evidence);
  if (answer) return answer.body.words;
  return reading ? `${reading.body.as.shown}, ${reading.body.as.title}` : "a reading";
}
