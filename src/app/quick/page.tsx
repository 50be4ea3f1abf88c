import { QuickScreen } from "../../ui/quick/QuickScreen";

export default function Page() {
  return <QuickScreen />;
}
