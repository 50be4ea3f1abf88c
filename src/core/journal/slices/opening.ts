import type { Body, Slice } from "../slice";

/** What the job was opened with, and the call that closed it. */
type Signed<T extends "opened" | "called"> = Body<T> & { readonly at: string; readonly actor: string };

const firstOf = <T extends "opened" | "called">(type: T): Slice<Signed<T> | null> => ({
  init: () => null,
  apply: (state, { body, at, actor }) => state ?? (body.type === type ? { ...(body as Body<T>), at, actor } : null),
});

export const opened = firstOf("opened");
export const called = firstOf("called");
