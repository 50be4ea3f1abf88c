import { Filter } from "./Filter";
import { say } from "#words/ui/shell";

interface Props {
  readonly machines: readonly { readonly id: string; readonly name: string }[];
  readonly people: readonly string[];
  readonly machine: string;
  readonly person: string;
  onChange(change: { readonly machine?: string; readonly person?: string }): void;
}

/** Narrows down to a machine and to a person. */
export function MachineAndPerson({ machines, people, machine, person, onChange }: Props) {
  return (
    <>
      <Filter label={say.machine} value={machine} onChange={(value) => onChange({ machine: value })}>
        <option value="">{say.everyMachine}</option>
        {machines.map((m) => (
          <option key={m.id} value={m.id}>
            {m.name}
          </option>
        ))}
      </Filter>
      <Filter label={say.who} value={person} onChange={(value) => onChange({ person: value })}>
        <option value="">{say.everybody}</option>
        {people.map((p) => (
          <option key={p} value={p}>
            {p}
          </option>
        ))}
      </Filter>
    </>
  );
}
