import { writeMachineYaml } from "../../../../../core/model";
import { machineByHash, newestMachine } from "../../../../../server/machine-store";
import { answerError, knock } from "../../../answer";

export const dynamic = "force-dynamic";
type Context = { params: Promise<{ id: string }> };

/** The machine file as YAML, the newest version or the one named by `?version=`. */
export async function GET(request: Request, { params }: Context) {
  try {
    knock(request);
    const { id } = await params;
    const version = new URL(request.url).searchParams.get("version");
    const { machine } = version ? await machineByHash(version) : await newestMachine(id);
    return new Response(writeMachineYaml(machine.file), {
      headers: {
        "content-type": "application/yaml; charset=utf-8",
        "content-disposition": `attachment; filename="${machine.file.id}.yaml"`,
      },
    });
  } catch (error) {
    return answerError(error);
  }
}
