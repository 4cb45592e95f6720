import { client, settled } from "../../api/client";
import type { SetupDocument, StoredLifter } from "../../engine/types";

/** The body that an exercise is shown for when nobody is named. */
export const averageBody: SetupDocument["lifter"] = { height: 1.75, bodyMass: 75 };

const averageName = "Average body";

/** The lifter of that name, added when it is first needed. */
async function averageLifter(): Promise<StoredLifter> {
  const named = await settled(client.GET("/api/lifters", { params: { query: { q: averageName, limit: 20 } } }));
  const there = (named.items ?? []).find((l) => l.name === averageName);
  if (there) return there;
  const body = {
    id: crypto.randomUUID(),
    name: averageName,
    notes: "1.75 m and 75 kg, nothing measured. Exercises that are opened for nobody in particular stand here.",
    body: averageBody,
  };
  return settled(client.POST("/api/lifters", { body }));
}

/** Saves a setup for the average body and says where it is. */
export async function openForAverage(document: SetupDocument): Promise<string> {
  const lifter = await averageLifter();
  const row = await settled(
    client.POST("/api/setups", { body: { id: crypto.randomUUID(), lifterId: lifter.id, document } }),
  );
  return `/bench/${row.id}`;
}
