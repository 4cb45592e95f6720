import { client, Refused, settled } from "../api/client";
import type { paths } from "../api/schema.gen";

/** A document as the server keeps it. */
export type Stored<D> = { id: string; version: number; updatedAt: string; document: D };

type Path =
  | "/api/setups/{id}"
  | "/api/lifters/{id}"
  | "/api/rooms/{id}"
  | "/api/comparisons/{id}"
  | "/api/blocks/{id}"
  | "/api/studies/{id}";
type Body<P extends Path> = paths[P]["put"] extends { requestBody: { content: { "application/json": infer B } } }
  ? B
  : never;

/** One save on its way to the server: plain data, so that it can wait in this browser. */
export type Save = { [P in Path]: { path: P; id: string; body: Body<P> } }[Path];

type Row = Omit<Stored<unknown>, "document"> & { document?: unknown };

/** Only a lifter's row has its parts beside the version. */
function asStored(row: Row): Stored<unknown> {
  if ("document" in row) return row as Stored<unknown>;
  const { name, notes, body } = row as unknown as Record<string, unknown>;
  return { id: row.id, version: row.version, updatedAt: row.updatedAt, document: { name, notes, body } };
}

/** Sends a save; a conflict's error carries what the server has now. */
export async function send({ path, id, body }: Save): Promise<Stored<unknown>> {
  try {
    // Path and body belong together by the type of Save; the client cannot see that once they are apart.
    const call = client.PUT(path as "/api/setups/{id}", {
      params: { path: { id } },
      body: body as Body<"/api/setups/{id}">,
    });
    return asStored(await settled(call));
  } catch (error) {
    const now = error instanceof Refused ? (error.failure.current as Row | undefined) : undefined;
    throw now ? new Refused({ ...(error as Refused).failure, current: asStored(now) }) : error;
  }
}
