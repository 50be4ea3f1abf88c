import { SleepScreen } from "../../../ui/sleep/SleepScreen";

export default function Page() {
  return <SleepScreen />;
}
