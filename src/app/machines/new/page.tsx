import { NewMachineScreen } from "../../../ui/machine/NewMachineScreen";

export default function Page() {
  return <NewMachineScreen />;
}
