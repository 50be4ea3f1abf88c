import type { EventBody, Job } from "../../core/journal";
import type { Machine } from "../../core/model";

/** What every step of a repair is given: the unit as it is, its job, the assembly, and the way to log. */
export interface RepairProps {
  readonly machine: Machine;
  readonly job: Job;
  readonly assembly: string;
  readonly busy: boolean;
  readonly onLog: (body: EventBody) => Promise<boolean>;
}
