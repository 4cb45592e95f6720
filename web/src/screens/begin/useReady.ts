import { useQuery } from "@tanstack/react-query";
import { core } from "../../engine/core";
import type { StoredLifter, StoredRoom } from "../../engine/types";

/** The ready setups for a lifter, as a room has what they need. */
export const useReady = (lifter: StoredLifter, room: StoredRoom | null) =>
  useQuery({
    queryKey: ["ready", lifter.id, lifter.version, room?.id, room?.version],
    queryFn: async () => (await core()).ready(lifter.body, room ? JSON.stringify(room.document) : "", room?.id ?? ""),
  });
