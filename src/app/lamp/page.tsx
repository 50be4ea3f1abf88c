import { LampScreen } from "../../ui/lamp/LampScreen";

export default function Page() {
  return <LampScreen />;
}
