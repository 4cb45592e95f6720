import { core } from "../../engine/core";
import type { SetupDocument, StoredRoom } from "../../engine/types";

/** The document as it can be done in a room; as it is for any place. */
export async function fitted(document: SetupDocument, room: StoredRoom | null): Promise<SetupDocument> {
  if (!room) return document;
  const answer = (await core()).fit(JSON.stringify(document), JSON.stringify(room.document), room.id);
  return answer.ok?.document ?? document;
}
