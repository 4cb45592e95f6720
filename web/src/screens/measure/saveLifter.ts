import type { QueryClient } from "@tanstack/react-query";
import { changed } from "../../api/changed";
import { client, Refused, settled } from "../../api/client";
import type { Lifter, StoredLifter } from "../../engine/types";
import { notify } from "../../ui/Notices";

/** Saves a lifter's body as it was measured, with a way back. It says whether that went well; what did not is told. */
export async function saveLifter(cache: QueryClient, lifter: StoredLifter, body: Lifter, said: string) {
  const put = (version: number, to: Lifter) =>
    settled(
      client.PUT("/api/lifters/{id}", {
        params: { path: { id: lifter.id } },
        body: { version, name: lifter.name, notes: lifter.notes, body: to },
      }),
    );
  try {
    const row = await put(lifter.version, body);
    await changed(cache, "lifters");
    notify(said, {
      label: "Undo",
      run: () => void put(row.version, lifter.body).then(() => changed(cache, "lifters"), failed),
    });
    return true;
  } catch (error) {
    failed(error);
    await changed(cache, "lifters");
    return false;
  }
}

const failed = (error: unknown) =>
  notify(
    error instanceof Refused && error.failure.status === 409
      ? "The lifter was changed elsewhere meanwhile. It was loaded anew: look, and update again."
      : error instanceof Refused
        ? `${error.message} Nothing was changed.`
        : "The server does not answer; nothing was changed. What was measured is still here.",
  );
