/** What ui/job/DropJob says to people, in English. */
export const say = {
  openedByMistake: "Opened by mistake",
  openedByMistakeDropThis: "Opened by mistake? Drop this job",
  dropThisJob: "Drop this job?",
  dropTheJob: "Drop the job",
  itLeavesTheOpenJobs: "It leaves the open jobs and counts for nothing. What was entered stays on record.",
};
