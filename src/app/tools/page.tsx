import { ToolsScreen } from "../../ui/tools/ToolsScreen";

export default function Page() {
  return <ToolsScreen />;
}
